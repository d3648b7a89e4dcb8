# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # Values ↔ JSON text; instants as {"at": seconds} so that they come back as Times.
    module Values
      module_function

      def dump(value) = JSON.generate(encode(value))
      def load(text) = text == "{}" ? {} : decode(JSON.parse(text, max_nesting: 40))

      def encode(value)
        case value
        when Time then { "at" => value.to_i }
        when Array then value.map { |v| encode(v) }
        when Hash then value.to_h { |k, v| [k.to_s, encode(v)] }
        else value
        end
      end

      def decode(value)
        case value
        when Array then value.map { |v| decode(v) }
        when Hash then value.size == 1 && value["at"].is_a?(Integer) ? Time.at(value["at"]).utc : value.transform_values { |v| decode(v) }
        else value
        end
      end

      def time(seconds) = seconds && Time.at(seconds).utc
    end
  end
end
