# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # Values ↔ JSON text; instants as {"at": seconds} so that they come back as Times, sentences as
    # {"say": key, "with": values}. A map that looks like one of these is wrapped, {"map": it}, so
    # that it comes back as what it was.
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
          encode_map(value.to_h { |k, v| [k.to_s, encode(v)] })
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

      def encode_map(map) =
        instant?(map) || sentence?(map) || wrapped?(map) ? { "map" => map } : map

      def decode_map(map)
        return Time.at(map["at"]).utc if instant?(map)
        if sentence?(map)
          return Core::Phrase.new(map["say"], decode(map["with"]).transform_keys(&:to_sym)).freeze
        end

        (wrapped?(map) ? map["map"] : map).transform_values { |v| decode(v) }
      end

      def instant?(map) = map.size == 1 && map["at"].is_a?(Integer)
      def sentence?(map) = map.size == 2 && map["say"].is_a?(String) && map["with"].is_a?(Hash)
      def wrapped?(map) = map.size == 1 && map["map"].is_a?(Hash)
      private_class_method :encode_map, :decode_map, :instant?, :sentence?, :wrapped?
    end
  end
end
