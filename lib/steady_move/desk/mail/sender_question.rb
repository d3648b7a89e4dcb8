# frozen_string_literal: true

module SteadyMove
  module Desk
    module Mail
      # A message about a held name from a domain that nobody knows yet: does the registrar of that
      # name write from there? Asked once; the answer is kept with the account, and what else came
      # from there is read anew.
      class SenderQuestion
        # domain: A-label; accounts: [Account] that it may write for; proven: did the mailbox's own
        # server find that this domain sent it?
        Question = Struct.new(:domain, :accounts, :proven, keyword_init: true)
        # So many messages from there are read anew.
        MOST = 200

        def initialize(ports)
          @ports = Ports.of(ports)
          @around = MailContext.new(@ports)
        end

        # kept: Core::Post::Kept. Returns Question; nil where nothing is to be asked: it counts
        # already, the domain is known, anybody's, or made to look like one that is known.
        def of(kept)
          domain = Core::Post::Trust.domain(kept.sender.to_s)
          return if domain.nil? || kept.proven? || kept.names.empty? || settled?(domain)

          accounts = holders(kept.names).reject { |a| refused(a).include?(domain) }
          return if accounts.empty?

          Question.new(domain: domain, accounts: accounts, proven: anew(kept, [domain])&.proven?)
        end

        # account_id: of the one that writes from there, or nil where none of them does. Raises
        # Refused.
        def answer(id, account_id:, by:)
          kept = @ports.messages.find(id) or raise Refused.new(:unknown, :no_message, id: id)
          asked = of(kept) or raise Refused.new(:not_now, :no_sender_asked, id: id)
          chosen = asked.accounts.find { |a| a.id == account_id }
          raise Refused.new(:invalid, :no_account, id: account_id) if account_id && chosen.nil?

          chosen ? knows(chosen, asked.domain, by) : nobody(asked, by)
        end

        private

        def settled?(domain)
          known = Core::Post::Writers.domains(@around.senders([]))
          Core::Post::Writers.anybodys?(domain) ||
            known.any? { |d| Core::Post::Hosts.within?(domain, d) } ||
            !Core::Post::Hosts.alike(domain, known).nil?
        end

        def holders(names)
          ids =
            names.flat_map do |name|
              move = @ports.moves.open_for(name)
              [@ports.names.find(name)&.fetch(:account_id), move&.to_account]
            end
          ids.compact.uniq.filter_map { |id| @ports.accounts.find(id) }
        end

        def refused(account) = account.habits["not_from"].to_a

        def knows(account, domain, by)
          account = account.dup
          account.sender_domains = account.sender_domains | [domain]
          @ports.accounts.put(account)
          @around = MailContext.new(@ports) # it writes from there from now on
          note(:sender_known, by, title: account.title, domain: domain)
          @ports
            .messages
            .written_from(domain, most: MOST)
            .reject { |kept| kept.proven? || kept.corrected_by }
            .each { |kept| count(kept, by) if anew(kept, [])&.proven? }
        end

        def count(kept, by) = Replies.new(@ports).trust(kept.id, by: by)

        def nobody(asked, by)
          asked.accounts.each do |account|
            @ports.accounts.keep_habits(account, "not_from" => refused(account) | [asked.domain])
          end
          titles = asked.accounts.map(&:title)
          note(:sender_refused, by, title: titles, domain: asked.domain)
        end

        # As it would be judged if these domains were known as well; nil where its octets are gone.
        def anew(kept, domains)
          raw = @ports.messages.original(kept.id) or return
          message = Wire::Mail::Eml.read(raw).at_place(kept.place)
          server = @around.server(kept.place)
          Core::Post::Reader.read(
            message,
            held: kept.names.map { |n| Core::Names::DomainName.held(n) },
            known: domains + @around.senders([]),
            ids: server[:ids],
            trusting: server[:trusting]
          )
        rescue Wire::Malformed
          nil
        end

        def note(key, by, **values)
          @ports.journal.add(
            "places",
            at: @ports.now,
            by: by,
            says: Words.phrase("journal.#{key}", by: by, **values)
          )
        end
      end
    end
  end
end
