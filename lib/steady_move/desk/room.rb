# frozen_string_literal: true

module SteadyMove
  module Desk
    # A room of the desk: a module with one file that is its whole public face. What it needs of the
    # desk are its ports, what it offers is named, all else is private. Which rooms it may name:
    # the picture in ARCHITECTURE.md, held by test/house/rooms_test.rb.
    module Room
      # readers: of App (Symbols). Defines the room's Ports.
      def needs(*readers)
        const_set(:Ports, Desk::Ports.naming(readers))
        private_constant :Ports
      end

      # names: constants that others may use (Symbols); everything else in the room is its own.
      def offers(*names)
        own = constants(false) - names
        private_constant(*own) if own.any?
      end
    end
  end
end
