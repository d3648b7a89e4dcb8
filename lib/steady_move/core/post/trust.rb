# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Who wrote a message, and is that proven (rules of the job §8)? Three states: proven,
      # unproven, doubtful. Only a proven message decides anything by itself. This is the one place
      # where it is decided: from the sender's domain, from what the mailbox's own server found out
      # (Authentication), and from where the links and the deadline lead.
      module Trust
        STATES = [PROVEN = "proven", UNPROVEN = "unproven", DOUBTFUL = "doubtful"].freeze
        # state: one of STATES; because: Phrases; domain: of the From field, A-label, or nil;
        # aligned: the mailbox's own server says that this domain sent it.
        Judged = Struct.new(:state, :because, :domain, :aligned, keyword_init: true)
        # Whom to believe. known: domains that the account writes from, or what answers them for
        # names, or nil where nobody said; ids: how the mailbox's own server calls itself; trusting:
        # it delivers nothing that is not proven.
        Believed =
          Struct.new(:known, :ids, :trusting, keyword_init: true) do
            # For a message about some names ([DomainName]).
            def for(names)
              return self unless known.respond_to?(:call)

              self.class.new(**to_h, known: known.call(names))
            end
          end
        ADDRESS = /\A[^\s@<>,;"]+@([^\s@<>,;"]+)\z/

        module_function

        # The sender alone. message: Message. Returns Judged.
        def of_sender(message, believed)
          domains = message.senders.map { |a| domain(a) }
          unless domains.size == 1 && domains.first
            return doubtful(nil, [phrase(:no_one_sender, count: domains.size)])
          end

          domain = domains.first
          said, why = authenticated(message, domain, believed.ids)
          doubts = doubts(message, domain, believed.known)
          doubts += why if said == :against
          doubts.any? ? doubtful(domain, doubts) : proof(domain, said, why, believed)
        end

        def authenticated(message, domain, ids)
          written = message.trace && Authentication.above(message.trace, ids)
          written ||= { fields: message.results.to_a, spf: [] }
          Authentication.judge(written[:fields], ids: ids, from: domain, spf: written[:spf])
        end

        # said: of Authentication.judge, nothing against it; why: Phrases.
        def proof(domain, said, why, believed)
          return judged(UNPROVEN, [phrase(:no_domains)], domain) if believed.known.nil?

          trusted = believed.trusting && said == :nothing
          return judged(PROVEN, [phrase(:trusted)], domain) if trusted

          return judged(UNPROVEN, why, domain) unless said == :pass

          judged(PROVEN, why, domain).tap { |found| found.aligned = true }
        end

        def doubts(message, domain, known)
          [
            *elsewhere(message.senders.first, domain, known),
            *answers_elsewhere(message, known || [domain])
          ]
        end

        # The same with what the rest of the message says against it. links: [Links::Link]; known:
        # domains that links may lead to; due: Due, or nil where nothing is wanted by then; long: it
        # says more than was read.
        def of_all(sender, links, known:, due: nil, long: false)
          doubts = links.filter_map { |l| link(l, known, sender.aligned) }.uniq
          doubts << off(due) if due && off?(due)
          doubts << said(:long, most: Bounds::READ) if long
          doubts << said(:many_links, most: Links::MOST) if links.size >= Links::MOST
          return sender if doubts.empty?

          kept = sender.state == DOUBTFUL ? sender.because : []
          doubtful(sender.domain, kept + doubts)
        end

        # A deadline for whoever reads it: at: Time or nil; sent: Time of the message or nil.
        Due = Struct.new(:at, :sent, keyword_init: true)

        # The state of a message of which a person said that it counts, or did not.
        def on_word(state, counts) = counts ? PROVEN : state

        # The domain of an address (A-label), or nil.
        #   Post::Trust.domain('"a@known.example"@evil.test') # => nil
        def domain(address) = Core::Names::HostName.ascii(address[ADDRESS, 1])

        def elsewhere(address, domain, known)
          return [] if known.nil? || Writers.writes?(known, address)

          alike = Hosts.alike(domain, Writers.domains(known))
          return [phrase(:looks_like, sender: domain, known: alike)] if alike
          return [phrase(:unknown_there, sender: address)] if Writers.anybodys?(domain)

          [phrase(:unknown, sender: domain)]
        end

        def answers_elsewhere(message, known)
          odd = message.reply_to.to_a.find { |a| !Writers.writes?(known, a) }
          odd ? [phrase(:answers_elsewhere, host: domain(odd).to_s)] : []
        end

        # aligned: then a foreign link that neither approves nor declines only loses itself.
        def link(link, known, aligned)
          return if link.role == Links::QUOTED || mail?(link, known)
          return if aligned && harmless?(link, known)

          odd(link, known) || elsewhere_led(link, known) || shown(link)
        end

        def odd(link, known)
          odd = known.include?(link.host) ? link.odd - %i[bare host] : link.odd
          return if odd.empty?

          said(:odd_link, url: link.url[0, 80], what: odd.map { |o| said("odd.#{o}") })
        end

        def elsewhere_led(link, known)
          foreign = [link.host, *link.leads].find { |host| !Hosts.within_any?(host, known) }
          said(:link_elsewhere, host: foreign) if foreign
        end

        def shown(link)
          said(:link_shows_another, shown: link.shown, host: link.host) if link.shown
        end

        # As footers have them: to a policy, a help desk, a shop. Nothing about it deceives.
        def harmless?(link, known)
          return false if link.unseen || link.shown
          return false unless link.role == "other" || mailing?(link)
          return true if link.url.match?(/\Amailto:/i)

          link.odd.empty? && !Hosts.alike(link.host, known)
        end

        # It takes its reader off a list: it declines nothing of ours.
        def mailing?(link) = link.role == "decline" && link.words.match?(Languages::MAILING)

        # An address to write to, or a number to ring, is no web address.
        def mail?(link, known)
          return true if link.url.match?(/\A(?:tel|sms):/i)

          host = link.url[/\Amailto:[^?@]*@([^?&,\s]+)/i, 1] or return false
          Hosts.within_any?(Core::Names::HostName.ascii(host), known)
        end

        def off?(due)
          !due.at.nil? && !due.sent.nil? && !due.at.between?(due.sent, due.sent + Reader::FARTHEST)
        end

        def off(due) = said(due.at < due.sent ? :deadline_before : :deadline_far)

        def doubtful(domain, because) = judged(DOUBTFUL, because, domain)

        def judged(state, because, domain)
          Judged.new(state: state, because: because, domain: domain)
        end

        def phrase(key, **values) = Phrase.of("post.sender.#{key}", **values)
        def said(key, **values) = Phrase.of("post.#{key}", **values)
        private_class_method :proof,
                             :authenticated,
                             :harmless?,
                             :mailing?,
                             :doubts,
                             :elsewhere,
                             :answers_elsewhere,
                             :link,
                             :odd,
                             :elsewhere_led,
                             :shown,
                             :mail?,
                             :off?,
                             :off,
                             :doubtful,
                             :judged,
                             :phrase,
                             :said
      end
    end
  end
end
