# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Accounts
      # Which service answers for which suffix (RFC 9224): fetched once, kept, and fetched again
      # when it has become old. What an administrator or the configuration says of a suffix rules
      # over it.
      class Bootstrap
        KEY = "rdap-bootstrap"
        # RFC 9224 §8 asks clients not to fetch it more often than it changes; a day is what its
        # publisher says.
        FRESH = 86_400
        AGAIN = 3600

        def initialize(ports)
          @ports = Ports.of(ports)
          @due_at = nil
        end

        # Is it switched on, and time?
        def due?
          return false if @ports.settings.bootstrap_url.nil?
          return false if @due_at && @ports.now < @due_at && @ports.now > @due_at - FRESH

          _, at = @ports.watches.document(KEY)
          at.nil? || @ports.now >= at + FRESH || @ports.now < at
        end

        # Returns whether it was fetched; the outside's faults only put the next try off.
        def fetch
          @due_at = @ports.now + AGAIN
          text = @ports.rdap.text(@ports.settings.bootstrap_url)
          self.class.services(text)
          @ports.watches.keep(KEY, text, at: @ports.now)
          @ports.connect
          hear(true, Words.say(:"connections.answered"))
        rescue Wire::Error => e
          hear(false, e.says)
        end

        # RFC 9224 §4: services are pairs of a list of suffixes and a list of base URLs; https is
        # preferred. Returns {suffix => base URL}; raises Wire::Malformed.
        def self.services(text)
          pairs(text)
            .flat_map do |suffixes, urls|
              best = urls.find { |u| u.start_with?("https:") } || urls.first
              suffixes.map { |s| [s.downcase, best] }
            end
            .to_h
        end

        # [[[suffix, …], [base URL, …]], …]
        def self.pairs(text)
          whole = JSON.parse(text, max_nesting: 20)
          found = whole.is_a?(Hash) ? whole["services"] : nil
          return found if found.is_a?(Array) && found.all? { |pair| service?(pair) }

          raise Wire::Malformed, NOT_A_LIST
        rescue JSON::ParserError
          raise Wire::Malformed, NOT_A_LIST
        end

        NOT_A_LIST = "the list of public record services is not as RFC 9224 has it"

        # [[suffix, …], [base URL, …]], with at least one URL.
        def self.service?(pair)
          pair.is_a?(Array) && pair.size == 2 && pair.last != [] &&
            pair.all? { |list| list.is_a?(Array) && list.all?(String) }
        end
        private_class_method :pairs, :service?

        private

        def hear(well, says)
          @ports.heard.note(Common::LastHeard::SERVICES, at: @ports.now, well: well, says: says)
          well
        end
      end
    end
  end
end
