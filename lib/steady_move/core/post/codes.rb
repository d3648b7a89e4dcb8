# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Authorization codes in a message's text (rules of the job §8): taken as they are, never
      # guessed between two.
      module Codes
        # code: the one that stands in it, or nil; codes: {A-label text => code} where names stand
        # beside them; candidates: all that may be one; because: Phrases; speaks: it speaks of codes
        # at all.
        CodeReading = Struct.new(:code, :codes, :candidates, :because, :speaks, keyword_init: true)
        # How many lines above a code its name may stand.
        NEAR = 4

        module_function

        # text: as people read it; names: [DomainName] held; speaks: it is known to be about codes.
        # Returns CodeReading.
        #   Post::Codes.find("The authorization code is: Ab3x-9kQ", []).code # => "Ab3x-9kQ"
        #   Post::Codes.find("The authorization code is valid for five days.", []).code # => nil
        def find(text, names, speaks: false)
          lines =
            text.gsub(Passages::UNSEEN, "").lines(chomp: true).map { |l| l.sub(/\A[ \t>]+/, "") }
          speaks ||= text.match?(CodeLabels::STRONG) || (names.any? && CodeLabels.any?(lines))
          return nothing(speaks) unless speaks

          rows, used = CodeRows.read(lines)
          hits = CodeLabels.read(lines, used)
          decide(rows, hits, lines, names)
        end

        def nothing(speaks)
          CodeReading.new(code: nil, codes: {}, candidates: [], because: [], speaks: speaks)
        end

        def decide(rows, hits, lines, names)
          pairs = rows.filter_map { |r| [r.name, r.value] if r.value }
          pairs += hits.filter_map { |h| [host(h, lines), h.value] if h.value }
          questions =
            rows.reject(&:value).flat_map(&:pieces) + hits.reject(&:value).flat_map(&:pieces)
          all = (pairs.map(&:last) + questions).uniq
          found = CodeReading.new(code: nil, codes: {}, candidates: all, because: [], speaks: true)
          choose(found, pairs, names) unless questions.any? && pairs.empty?
          found.because = said(found, pairs, questions, hits)
          found
        end

        def choose(found, pairs, names)
          values = pairs.map(&:last).uniq
          held = by_name(pairs, names)
          return if pairs.empty?
          return several(found, pairs, held) if values.size > 1

          found.codes = held.any? ? held : of_the_one(pairs, names)
          # what stands beside a name that nobody here holds is that name's
          strange = pairs.none? { |host, _| host.nil? } && held.empty?
          found.code = values.first unless strange
        end

        def several(found, pairs, held)
          named = held.values.to_set
          return if pairs.any? { |host, code| host.nil? && !named.include?(code) }

          found.codes = held
          found.code = held.values.first if held.size == 1
        end

        # Where nobody else's name stands beside the one code, it is that of the one name that the
        # message is about.
        def of_the_one(pairs, names)
          if names.one? && pairs.all? { |host, _| host.nil? }
            { names.first.ascii => pairs.first.last }
          else
            {}
          end
        end

        # Codes of held names; a name that has two different ones is left out.
        def by_name(pairs, names)
          index = names.flat_map { |n| [[n.ascii, n], [n.unicode, n]] }.to_h
          known =
            pairs.filter_map { |host, code| (name = held(host, index)) && [name.ascii, code] }.uniq
          known
            .group_by(&:first)
            .select { |_, list| list.one? }
            .transform_values { |list| list.first.last }
        end

        def held(host, index) = host && index[host.downcase.delete_prefix("www.")]

        # The name beside a code: between it and its label, before that, or a little above.
        def host(hit, lines)
          places = [hit.about, *lines[[hit.line - NEAR, 0].max..hit.line].reverse]
          places.each do |text|
            found = text.to_s.sub(hit.value.to_s, "").scan(/#{CodeRows::HOST}/o).uniq
            return found.first if found.one?
            return nil if found.any?
          end
          nil
        end

        def said(found, pairs, questions, hits)
          count = pairs.map(&:last).uniq.size
          [
            (phrase(found.codes.size > 1 ? :code_list : :several_codes, count: count) if count > 1),
            (phrase(:code_question) if questions.any?),
            (phrase(:code_joined) if hits.any?(&:joined))
          ].compact
        end

        def phrase(key, **values) = Phrase.of("post.#{key}", **values)
        private_class_method :nothing,
                             :several,
                             :decide,
                             :choose,
                             :of_the_one,
                             :by_name,
                             :held,
                             :host,
                             :said,
                             :phrase
      end
    end
  end
end
