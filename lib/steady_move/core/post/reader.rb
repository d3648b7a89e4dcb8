# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Understands a message from its plain parts.
      module Reader
        LINK = %r{https?://[^\s<>"'”)\]]+}i
        ACTING = /approv|confirm|accept|releas|verif|reject|cancel/i
        # A deadline farther off than this, or before the message was sent, doesn't fit.
        FARTHEST = 60 * 86_400

        module_function

        # from: address; subject, text: Strings; held: [DomainName]; sender_domains: domains that the account is known
        # to write from, or what answers them for the names that were found, or nil where that is not to be judged;
        # sent: Time of the Date field, or nil; failed: what the receiving server found wrong with the sender (RFC
        # 8601), e.g. ["dkim"]. Returns a Reading.
        def read(from:, subject:, text:, held:, sender_domains:, sent: nil, failed: [])
          names = named(held, "#{subject}\n#{text}")
          sender_domains = sender_domains.call(names) if sender_domains.respond_to?(:call)
          kind, says = Lexicon.kind_of(subject, text, names: names)
          code, about_code = kind == "code" || names.any? ? Codes.find(text) : [nil, []]
          codes = kind == "code" ? Codes.listed(text, names) : {}
          if codes.size > 1
            code = nil
            about_code = [phrase(:code_list, count: codes.size)]
          end
          code = nil if code && named(held, code).any? # the name that begins a line of a list
          code ||= codes.values.first if codes.size == 1
          deadline, assumed = Deadlines.find("#{subject}\n#{text}", sent: sent)
          link = link_in(text)
          doubts = kind == "unrelated" ? [] : doubts(from, link, deadline, sent, sender_domains, failed)
          wording = phrase(:wording, what: says.map { |k| phrase("says.#{k}") }) if says.any?
          Reading.new(kind: kind, names: names, code: code, codes: codes, link: link, deadline: deadline,
            doubtful: doubts.any?,
            passed: kind == "identity-check" && text.match?(Lexicon::PASSED),
            because: [wording, *about_code, assumed, *doubts].compact)
        end

        def phrase(key, **values) = Phrase.of("post.#{key}", **values)

        # Held names that stand in the text, the longer before a shorter that it holds.
        def named(held, body)
          words = body.downcase.scan(/[[:alnum:]](?:[[:alnum:].-]*[[:alnum:]])?/).to_set
          held.select { |n| words.include?(n.ascii) || words.include?(n.unicode) }
        end

        # The link to act with: the one beside words of acting, else the only one.
        def link_in(text)
          links = text.enum_for(:scan, LINK).map { Regexp.last_match }
            .map { |m| [m[0].sub(/[.,;:!?]+\z/, ""), m.pre_match[-160..] || m.pre_match] }
          acting = links.find { |url, before| url.match?(ACTING) || before.match?(ACTING) }
          acting ? acting.first : (links.first&.first if links.size == 1)
        end

        def doubts(from, link, deadline, sent, known, failed)
          sender = from.to_s.downcase.rpartition("@").last
          [
            (sender_unknown(sender) if known&.none? { |d| within?(sender, d) }),
            (link_elsewhere(link, known || [sender]) if link), deadline_off(deadline, sent),
            (phrase(:not_proven, failed: failed) if failed.any?)
          ].compact
        end

        def sender_unknown(sender) = sender.empty? ? phrase(:no_sender) : phrase(:unknown_sender, sender: sender)

        def deadline_off(deadline, sent)
          return if deadline.nil? || sent.nil? || deadline.between?(sent, sent + FARTHEST)

          phrase(deadline < sent ? :deadline_before : :deadline_far)
        end

        def link_elsewhere(link, known)
          host = link[%r{\Ahttps?://([^/:?#]+)}i, 1].to_s.downcase.rpartition("@").last
          phrase(:link_elsewhere, host: host) if known.none? { |d| within?(host, d) }
        end

        def within?(host, domain) = host == domain || host.end_with?(".#{domain}")
        private_class_method :phrase, :named, :link_in, :doubts, :sender_unknown, :deadline_off,
          :link_elsewhere, :within?
      end
    end
  end
end
