# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Understands a message, in this order: sender → text → kinds → names → links → codes →
      # deadlines → trust. Each of these is an object of its own with its tables; what kind it is
      # rests on names and codes, so these are found first.
      class Reader
        # A deadline farther off than this, or before the message was sent, doesn't fit.
        FARTHEST = 60 * 86_400
        # Kinds that are read for a day until which they hold.
        DATED = [*Lexicon::ASKING, "code", "lock-notice"].freeze

        # message: Message; held: [DomainName]; known: domains that the account writes from, or what
        # answers them for the names that were found ([DomainName]), or nil where nobody said; ids:
        # identifiers of the mailbox's own server; trusting: that server delivers nothing that is
        # not proven. Returns a Reading.
        def self.read(message, held:, known:, ids: [], trusting: false)
          believed = Trust::Believed.new(known: known, ids: ids, trusting: trusting)
          new(message, held, believed).reading
        end

        def initialize(message, held, believed)
          @message = message
          @held = held
          @subject = message.subject.to_s
          @answer = Passages.answer?(@subject)
          @fresh, @quoted, @footer = Passages.parts(message.text)
          @names = Names.in(held, [@subject, @fresh, quoted, @footer])
          @believed = believed.for(@names)
          @sender = Trust.of_sender(message, @believed)
        end

        # Returns the Reading.
        def reading
          kind, says = kind()
          deadline, assumed = deadline(kind)
          trust = trust(kind, deadline)
          Reading.new(
            kind: kind,
            names: @names.map(&:ascii),
            **codes,
            links: links,
            link: (Links.to_approve(links) if asking?(kind) && trust.state != Trust::DOUBTFUL),
            deadline: deadline,
            trust: trust.state,
            why: trust.because,
            because: [wording(says), *found.because, *assumed, *trust.because].compact,
            passed: kind == "identity-check" && Lexicon.passed?(said),
            ended: kind != "offer" && Lexicon.ended?(said)
          )
        end

        private

        # What was written earlier, or merely comes along: nothing follows from it.
        def quoted = "#{@quoted}\n#{@message.beside}"
        # Who answers may repeat what somebody else wrote.
        def own_subject = @answer ? "" : @subject
        def said = "#{own_subject}\n#{@fresh}"

        def asking?(kind) = Lexicon::ASKING.include?(kind)

        def links = @links ||= Links.of_message(@message)
        def found = @found ||= Codes.find("#{own_subject}\n\n#{@fresh}", @names)

        def codes
          rest = "#{@subject if @answer}\n\n#{quoted}\n#{@footer}"
          others = Codes.find(rest, @names, speaks: found.speaks)
          {
            code: found.code,
            codes: found.codes,
            candidates: found.candidates | others.candidates,
            speaks: found.speaks || others.speaks
          }
        end

        # [id, what the wording says].
        def kind
          id, says = kind_in(own_subject, @fresh)
          return id, says unless id == Lexicon::UNRELATED

          id, says = kind_in(@subject, quoted)
          return id, says unless @sender.state == Trust::PROVEN || id == Lexicon::UNRELATED
          return id, says if id == Lexicon::UNRELATED && !(@names.any? && ours?)

          [Lexicon::UNREAD, []]
        end

        def kind_in(subject, text)
          holds = !found.code.nil? || found.codes.any?
          id, says = Kinds.classify(subject, text, names: @names, code: holds)
          return id, says unless Lexicon::OVER.include?(id) && Lexicon.ended?("#{subject}\n#{text}")

          [Lexicon::UNREAD, []]
        end

        def ours?
          known = @believed.known.to_a
          !@sender.domain.nil? && Writers.writes?(known, @message.senders.first)
        end

        # [Time or nil, Phrases on what was assumed].
        def deadline(kind)
          return nil, [] unless DATED.include?(kind)

          at, assumed = deadline_in(own_subject, @fresh, kind)
          return at, assumed if at || @sender.state == Trust::PROVEN

          deadline_in(@answer ? @subject : "", quoted, kind)
        end

        def deadline_in(subject, text, kind)
          sent = Deadlines::Sent.new(@message.at, @message.offset)
          Deadlines.find(subject, text, sent: sent, asking: asking?(kind))
        end

        def trust(kind, deadline)
          known = @believed.known || [@sender.domain].compact
          due = Trust::Due.new(at: deadline, sent: @message.at) if asking?(kind)
          Trust.of_all(
            @sender,
            links,
            known: known + @held.map(&:ascii),
            due: due,
            long: @message.long
          )
        end

        def wording(says)
          Phrase.of("post.wording", what: says.map { |k| Phrase.of("post.says.#{k}") }) if says.any?
        end
      end
    end
  end
end
