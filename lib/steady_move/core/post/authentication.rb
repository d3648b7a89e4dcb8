# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a mailbox's own server found out about a sender: Authentication-Results (RFC 8601),
      # measured against the domain of the From field as RFC 7489 §3.1 does.
      module Authentication
        # One method's result. of: dkim, spf, dmarc, …; result: pass, fail, …; domain: the one that
        # it speaks of, or nil; field: number of the field that it stands in, from the top.
        Result = Struct.new(:of, :result, :domain, :field, keyword_init: true)
        # Where a method names the domain that it checked (RFC 8601 §2.7).
        PROPERTIES = {
          "dkim" => %w[header.d header.i],
          "spf" => %w[smtp.mailfrom smtp.from],
          "dmarc" => %w[header.from]
        }.freeze
        # A server says each of these once; two answers contradict each other.
        SINGLE = %w[spf dmarc].freeze
        AGAINST = %w[fail softfail].freeze
        # From where a word begins, so that one without a value is passed over at once.
        PAIR = /(?<![^\s="])([^\s="]++)=("(?:[^"\\]|\\.)*"|[^\s"]+)/
        TOKEN = /"(?:[^"\\]|\\.)*"|[^\s;="]+|[;=]/

        module_function

        # fields: bodies of all Authentication-Results fields, topmost first; ids: identifiers of
        # the mailbox's own server ([] where none is known); from: domain of the From field
        # (A-label).
        # Returns [:pass, :against or :nothing, Phrases].
        # Post::Authentication.judge(["mx.test; dkim=pass header.d=r.test"], ids: ["mx.test"], from:
        # "r.test")[0] # => :pass
        #   Post::Authentication.judge(["mx.test; dkim=pass header.d=r.test"], ids: [], from: "r.test")[0]
        #     # => :nothing
        def judge(fields, ids:, from:)
          read = fields.each_with_index.map { |body, i| parse(body, i) }
          return against_unasked(read) if ids.empty?

          own = read.select { |id, _| ids.any? { |known| known.casecmp?(id) } }
          results = own.flat_map(&:last)
          return :nothing, [phrase(:nothing_said)] if results.empty?
          return :against, [phrase(:contradicts)] if contradictory?(own, results, from)

          weigh(results, from)
        end

        # The identifiers that the fields bear, topmost first; what a person may confirm as the
        # mailbox's own.
        def identifiers(fields) = fields.map { |f| parse(f, 0).first }.reject(&:empty?).uniq

        # One field's body. Returns [authserv-id, [Result]]; comments and quoted reasons say
        # nothing.
        def parse(body, number)
          parts = bare(body).scan(TOKEN).slice_when { |a, _| a == ";" }.map { |list| list - [";"] }
          [
            unquoted(parts.shift.to_a.first.to_s).downcase,
            parts.filter_map { |tokens| result(tokens, number) }
          ]
        end

        # Without comments, which may lie within one another (RFC 5322 §3.2.2).
        def bare(body)
          depth = 0
          body
            .gsub(/\s+/, " ")
            .scan(/"(?:[^"\\]|\\.)*"|\\.|./)
            .filter_map do |sign|
              depth += 1 if sign == "("
              kept = sign if depth.zero?
              depth -= 1 if sign == ")" && depth.positive?
              kept
            end
            .join
        end

        def result(tokens, number)
          pairs = tokens.join(" ").gsub(/ ?= ?/, "=").scan(PAIR)
          method, found = pairs.shift
          return if method.nil?

          method = method.downcase.sub(%r{/.*}, "")
          said = pairs.to_h { |key, value| [key.downcase, unquoted(value)] }
          place = PROPERTIES.fetch(method, []).filter_map { |key| said[key] }.first
          Result.new(
            of: method,
            result: found.downcase,
            field: number,
            domain: place && Core::Names::HostName.ascii(place.rpartition("@").last)
          )
        end

        def unquoted(text) = text.start_with?('"') ? text[1..-2].gsub(/\\(.)/, '\1') : text

        # Nobody said whose fields count: a pass proves nothing then, a failure is heard all the
        # same.
        def against_unasked(read)
          failed =
            read.flat_map(&:last).select { |r| PROPERTIES.key?(r.of) && AGAINST.include?(r.result) }
          return :nothing, [phrase(:no_identifier)] if failed.empty?

          against(failed)
        end

        def contradictory?(own, results, from)
          twice =
            SINGLE.any? do |method|
              results.select { |r| r.of == method }.map { |r| [r.result, r.domain] }.uniq.size > 1
            end
          silent = own.any? { |_, list| list.empty? } && own.size > 1
          signed = results.select { |r| r.of == "dkim" }.group_by(&:field).values
          twice || silent ||
            (
              signed.size > 1 &&
                signed.map { |list| list.any? { |r| pass?(r, from) } }.uniq.size > 1
            )
        end

        def weigh(results, from)
          named = results.select { |r| PROPERTIES.key?(r.of) }
          failed = named.select { |r| AGAINST.include?(r.result) }
          own, others = named.select { |r| r.result == "pass" }.partition { |r| pass?(r, from) }
          dmarc = failed.select { |r| r.of == "dmarc" } + others.select { |r| r.of == "dmarc" }
          return against(dmarc) if dmarc.any?
          return :pass, [phrase(:passed, methods: methods(own), domain: from)] if own.any?
          return against(failed) if failed.any?

          elsewhere = others.filter_map(&:domain)
          return :nothing, [phrase(:nothing_said)] if elsewhere.empty?

          [:against, [phrase(:passed_for_another, domain: elsewhere.first)]]
        end

        def against(results) = [:against, [phrase(:failed, methods: methods(results))]]
        def methods(results) = results.map(&:of).uniq

        # A pass that speaks of the From field's domain (relaxed alignment, RFC 7489 §3.1).
        def pass?(result, from)
          return false unless result.result == "pass"
          return result.domain.nil? || result.domain == from if result.of == "dmarc"

          !result.domain.nil? && Hosts.aligned?(result.domain, from)
        end

        def phrase(key, **values) = Phrase.of("post.sender.#{key}", **values)
        private_class_method :parse,
                             :bare,
                             :result,
                             :unquoted,
                             :against_unasked,
                             :contradictory?,
                             :weigh,
                             :against,
                             :methods,
                             :pass?,
                             :phrase
      end
    end
  end
end
