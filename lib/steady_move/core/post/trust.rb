# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # A sender's state with what the rest of the message says against it (rules of the job §8).
      module Trust
        # state: one of Sender::STATES; because: Phrases.
        Judged = Struct.new(:state, :because, keyword_init: true)

        module_function

        # sender: Sender::Judged; links: [Links::Link]; known: domains that links may lead to;
        # asking: the message wants something.
        def of(sender, links, known:, deadline:, sent:, asking:)
          doubts =
            links.filter_map { |l| link(l, known) }.uniq +
              [
                (off(deadline, sent) if asking),
                (phrase(:many_links, most: Links::MOST) if links.size >= Links::MOST)
              ].compact
          return Judged.new(state: sender.state, because: sender.because) if doubts.empty?

          kept = sender.state == "doubtful" ? sender.because : []
          Judged.new(state: "doubtful", because: kept + doubts)
        end

        def link(link, known)
          return if mail?(link, known)

          odd = known.include?(link.host) ? link.odd - %i[bare host] : link.odd
          if odd.any?
            return phrase(:odd_link, url: link.url[0, 80], what: odd.map { |o| phrase("odd.#{o}") })
          end
          return phrase(:link_elsewhere, host: link.host) unless Hosts.within_any?(link.host, known)

          phrase(:link_shows_another, shown: link.shown, host: link.host) if link.shown
        end

        # An address to write to, or a number to ring, is no web address.
        def mail?(link, known)
          return true if link.url.match?(/\A(?:tel|sms):/i)

          host = link.url[/\Amailto:[^?@]*@([^?&,\s]+)/i, 1] or return false
          Hosts.within_any?(Core::Names::HostName.ascii(host), known)
        end

        def off(deadline, sent)
          return if deadline.nil? || sent.nil? || deadline.between?(sent, sent + Reader::FARTHEST)

          phrase(deadline < sent ? :deadline_before : :deadline_far)
        end

        def phrase(key, **values) = Phrase.of("post.#{key}", **values)
        private_class_method :link, :mail?, :off, :phrase
      end
    end
  end
end
