# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # Accounts as places to go to.
      module Destinations
        module_function

        # The id of the account that names usually go to: where most moves went; else the first that
        # is said to be ready to be paid, one with a connection before others; else the first with a
        # connection; nil where there is none.
        def usual(ports)
          ports = Ports.of(ports)
          all = ports.accounts.all
          ports.moves.usual_destination(all.map(&:id)) ||
            readiest(all.sort_by { |a| a.epp? ? 0 : 1 })&.id
        end

        def readiest(accounts)
          accounts.find { |a| a.habits["payment"] == "ready" } || accounts.find(&:epp?)
        end

        # habits: suffixes (list), payment (“ready” or why not), reads_contacts, takes_codes
        # (Core::Codes::Accepted). nil for nil.
        def settings(account)
          return unless account

          habits = account.habits
          can_pay, why_not = paying(habits)
          Core::Readiness::Destination.new(
            id: account.id,
            title: account.title,
            registrar: account.registrar,
            suffixes: habits["suffixes"],
            can_pay: can_pay,
            why_not: why_not,
            reads_contacts: habits["reads_contacts"],
            takes_codes: Core::Codes::Accepted.read(habits["takes_codes"])
          ).freeze
        end

        # [can it be paid, why not]; what somebody looked at rules over what was written down once.
        def paying(habits)
          seen = habits.dig("ready", "method", "is")
          return seen, nil unless seen.nil?

          [habits["payment"] && habits["payment"] == "ready", habits["payment"]]
        end
        private_class_method :readiest, :paying
      end
    end
  end
end
