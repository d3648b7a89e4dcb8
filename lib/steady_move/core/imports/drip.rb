# frozen_string_literal: true

require "forwardable"
require "stringio"

module SteadyMove
  module Core
    module Imports
      # A text that is read piece by piece, for the library that reads tables: of a whole one it
      # copies the rest for every line.
      class Drip
        extend Forwardable

        def_delegators :@io, :gets, :read, :eof?, :external_encoding, :internal_encoding, :close

        # text: of the whole table.
        #   Imports::Drip.new("a;b\nc;d\n").gets # => "a;b\n"
        def initialize(text)
          @io = StringIO.new(text)
        end
      end
    end
  end
end
