# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Desk
    # What a room may ask of the desk, and nothing more: readers by name, asked for whenever they
    # are used, so that a setting that changes is followed at once. A room declares its own
    # (Room#needs).
    class Ports
      # A class of ports with these readers.
      def self.naming(readers)
        Class.new(self) do
          extend Forwardable
          def_delegators :whole, *readers
          const_set(:READERS, readers.freeze)
        end
      end

      # given: the desk (App), or another room's ports. Returns this room's own.
      def self.of(given)
        return given if given.instance_of?(self)

        new(given.is_a?(Ports) ? given.send(:whole) : given)
      end

      def initialize(whole)
        @whole = whole
      end

      def inspect = "#<#{self.class.name}>"

      private

      attr_reader :whole
    end
  end
end
