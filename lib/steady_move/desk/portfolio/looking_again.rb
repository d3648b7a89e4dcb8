# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Looks several names up again in their accounts and in the public record, because somebody
      # wants to know.
      class LookingAgain
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # names: A-label texts. Yields after each. Returns [how many were looked up, [{name, says}]
        # of those that weren't].
        def call(names, &block)
          problems = names.flat_map { |name| look(name).tap(&block) }
          [names.size - problems.map { |p| p[:name] }.uniq.size, problems]
        end

        private

        def look(name)
          row = @ports.names.find(name) or
            return [{ name: name, says: Words.say(:"refused.not_held", name: name) }]
          seen =
            Observe.new(@ports).name(
              Core::Names::DomainName.held(row[:name]),
              @ports.accounts.find(row[:account_id])
            )
          @ports.watches.looked(name, at: @ports.now)
          seen.problems.map { |says| { name: name, says: says } }
        end
      end
    end
  end
end
