# frozen_string_literal: true

module SteadyMove
  module Desk
    # What acts know of the DS at the registry.
    module Signing
      private

      # A look at all the registry's servers; the block answers whether they show what is wanted.
      def by_parents
        shown, = ports.servers.ds(name)
        Act::Seen.new(done: !shown.nil? && yield(shown), says: sentence(:shown), not_yet: sentence(:not_shown),
          source: :registry)
      end
    end
  end
end
