# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # Values ↔ JSON text; instants as {"at": seconds} so that they come back as Times, sentences as
    # {"say": key, "with": values}.
    module Values
      module_function

      def dump(value) = JSON.generate(encode(value))
      def load(text) = text == "{}" ? {} : decode(JSON.parse(text, max_nesting: 40))

      def encode(value)
        case value
        when Time
          { "at" => value.to_i }
        when Core::Phrase
          { "say" => value.key, "with" => encode(value.values) }
        when Array
          value.map { |v| encode(v) }
        when Hash
          value.to_h { |k, v| [k.to_s, encode(v)] }
        else
          value
        end
      end

      def decode(value)
        case value
        when Array
          value.map { |v| decode(v) }
        when Hash
          decode_map(value)
        else
          value
        end
      end

      def time(seconds) = seconds && Time.at(seconds).utc

      def decode_map(map)
        return Time.at(map["at"]).utc if map.size == 1 && map["at"].is_a?(Integer)
        if map.size == 2 && map.key?("say")
          return Core::Phrase.new(map["say"], decode(map["with"]).transform_keys(&:to_sym)).freeze
        end

        map.transform_values { |v| decode(v) }
      end
      private_class_method :decode_map
    end
  end
end
