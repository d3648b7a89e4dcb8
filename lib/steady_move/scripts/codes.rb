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
        lines.each { |l| out.puts JSON.generate(l.error ? bad(l) : good(l)) }
        lines.any?(&:error) ? 2 : 0
      end

      def bad(line)
        { line: line.number, name: line.name&.ascii, error: Words.text(line.error) }.compact
      end

      def good(line)
        {
          line: line.number,
          name: line.name.ascii,
          code: line.code,
          warnings: line.warnings.map { |w| Words.text(w) }
        }
      end
      private_class_method :bad, :good
    end
  end
end
