# frozen_string_literal: true

require "json"

module SteadyMove
  module Scripts
    # `codes FILE`: a line of JSON for each line of a list of names and codes.
    module Codes
      module_function

      # Returns 0, or 2 where a line could not be understood.
      def call(text, suffixes:, out:)
        lines = Core::Codes::List.read(text, suffixes: suffixes)
        lines.each do |l|
          out.puts JSON.generate(l.error ? { line: l.number, error: l.error } : { line: l.number, name: l.name.ascii, code: l.code, warnings: l.warnings })
        end
        lines.any?(&:error) ? 2 : 0
      end
    end
  end
end
