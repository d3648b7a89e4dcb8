# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Understands a message, in this order: sender → text → kinds → names → links → codes →
      # deadlines → trust. Each of these is an object of its own with its tables; what kind it is
      # rests on names and codes, so these are found first.
      module Reader
        # A deadline farther off than this, or before the message was sent, doesn't fit.
        FARTHEST = 60 * 86_400

        module_function

        # message: answers froms, reply_to, results, subject, at, text, marked, further
        # (Wire::Mail::Message); held: [DomainName]; known: domains that the account writes from, or
        # what answers them for the names that were found, or nil where nobody said; ids:
        # identifiers of the mailbox's own server; trusting: that server delivers nothing that is
        # not proven. Returns a Reading.
        def read(message, held:, known:, ids: [], trusting: false)
          subject = message.subject.to_s
          parts = Passages.parts(message.text)
          names = Names.in(held, [subject, *parts])
          known = known.call(names) if known.respond_to?(:call)
          sender = Sender.judge(message, known: known, ids: ids, trusting: trusting)
          found = Codes.find("#{subject}\n\n#{message.text}", names)
          kind, says = kind(subject, parts, names, found, sender, known)
          links = Links.read(message.marked || message.text, message.further.to_s)
          deadline, assumed = deadline(subject, parts, message.at, kind)
          trust =
            Trust.of(
              sender,
              links,
              known: (known || [sender.domain].compact) + held.map(&:ascii),
              deadline: deadline,
              sent: message.at,
              asking: Lexicon::ASKING.include?(kind)
            )
          reading(
            message,
            kind,
            names,
            found,
            links,
            deadline,
            trust,
            [wording(says), *found.because, *assumed].compact
          )
        end

        def kind(subject, parts, names, found, sender, known)
          code = found.code || found.codes.any?
          id, says = Kinds.of(subject, parts[0], parts[1], names: names, code: code ? true : false)
          # Whoever writes that a transfer did not take place does not write that it has landed.
          return Lexicon::UNREAD, [] if id == "landed" && Lexicon.ended?("#{subject}\n#{parts[0]}")

          ours = known && sender.domain && Hosts.within_any?(sender.domain, known)
          id == Lexicon::UNRELATED && names.any? && ours ? [Lexicon::UNREAD, []] : [id, says]
        end

        def deadline(subject, parts, sent, kind)
          return nil, [] unless [*Lexicon::ASKING, "code", "lock-notice"].include?(kind)

          asking = Lexicon::ASKING.include?(kind)
          at, assumed = Deadlines.find(subject, parts[0], sent: sent, asking: asking)
          at ? [at, assumed] : Deadlines.find("", parts[1], sent: sent, asking: asking)
        end

        def reading(message, kind, names, found, links, deadline, trust, because)
          Reading.new(
            kind: kind,
            names: names,
            code: found.code,
            codes: found.codes,
            candidates: found.candidates,
            speaks: found.speaks,
            links: links,
            link: trust.state == "doubtful" ? nil : link(kind, links),
            deadline: deadline,
            sender: trust.state,
            why: trust.because,
            because: because + trust.because,
            passed:
              kind == "identity-check" && Lexicon.passed?("#{message.subject}\n#{message.text}"),
            ended: kind != "offer" && Lexicon.ended?("#{message.subject}\n#{message.text}")
          )
        end

        def link(kind, links) = Lexicon::ASKING.include?(kind) ? Links.to_approve(links) : nil

        def wording(says)
          Phrase.of("post.wording", what: says.map { |k| Phrase.of("post.says.#{k}") }) if says.any?
        end
        private_class_method :kind, :deadline, :reading, :link, :wording
      end
    end
  end
end
