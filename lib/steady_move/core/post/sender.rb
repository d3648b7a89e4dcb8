# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Who wrote a message, in three states (rules of the job §8): proven, unproven, doubtful. Only
      # proven mail decides anything by itself.
      module Sender
        STATES = %w[proven unproven doubtful].freeze
        # state: one of STATES; because: Phrases; domain: of the From field, A-label, or nil.
        Judged = Struct.new(:state, :because, :domain, keyword_init: true)
        ADDRESS = /\A[^\s@<>,;"]+@([^\s@<>,;"]+)\z/

        module_function

        # message: answers froms (the addresses of all From fields), reply_to (addresses), results
        # (bodies of all Authentication-Results fields). known: domains that the account writes
        # from, or nil where nobody said; ids: of the mailbox's own server; trusting: the mailbox's
        # server delivers nothing that is not proven.
        def judge(message, known:, ids: [], trusting: false)
          domains = message.froms.map { |a| Core::Names::HostName.ascii(a[ADDRESS, 1]) }
          unless domains.size == 1 && domains.first
            return doubtful(nil, phrase(:no_one_sender, count: domains.size))
          end

          domain = domains.first
          said, why = Authentication.judge(message.results.to_a, ids: ids, from: domain)
          doubts = [*elsewhere(domain, known), *answers_elsewhere(message, known || [domain])]
          doubts += why if said == :against
          return doubtful(domain, *doubts) if doubts.any?
          if known.nil?
            return Judged.new(state: "unproven", because: [phrase(:no_domains)], domain: domain)
          end

          trusted = trusting && said == :nothing
          why = [phrase(:trusted)] if trusted
          Judged.new(
            state: said == :pass || trusted ? "proven" : "unproven",
            because: why,
            domain: domain
          )
        end

        def elsewhere(domain, known)
          return [] if known.nil? || Hosts.within_any?(domain, known)

          alike = Hosts.alike(domain, known)
          [
            (
              if alike
                phrase(:looks_like, sender: domain, known: alike)
              else
                phrase(:unknown, sender: domain)
              end
            )
          ]
        end

        def answers_elsewhere(message, known)
          hosts = message.reply_to.to_a.map { |a| Core::Names::HostName.ascii(a[ADDRESS, 1]) }
          odd = hosts.find { |h| h.nil? || !Hosts.within_any?(h, known) }
          hosts.include?(odd) ? [phrase(:answers_elsewhere, host: odd.to_s)] : []
        end

        def doubtful(domain, *because)
          Judged.new(state: "doubtful", because: because, domain: domain)
        end
        def phrase(key, **values) = Phrase.of("post.sender.#{key}", **values)
        private_class_method :elsewhere, :answers_elsewhere, :doubtful, :phrase
      end
    end
  end
end
