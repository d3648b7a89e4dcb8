# frozen_string_literal: true

require "json"

module SteadyMove
  module Scripts
    # `handover FILE`: TTLs and circumstances as JSON in, the instants of a handover out, as one
    # JSON object.
    module Handover
      SECONDS = %w[
        old_max_ttl
        lowered_ttl
        parent_ns_ttl
        zone_ns_ttl
        ds_ttl
        negative_ttl
        publication
        fastest_move
      ].freeze
      SAID = %w[signed old_zone_ns_follows old_host_ends_with_registration].freeze
      # What may be left out, since it is not used then: the first with the second's being false.
      ONLY_WITH = {
        "ds_ttl" => "signed",
        "fastest_move" => "old_host_ends_with_registration"
      }.freeze
      MOST = (1 << 31) - 1

      module_function

      # text: JSON. Raises Misused. Returns 0.
      def call(text, out:, err:)
        schedule = Core::Records::HandoverSchedule.new(**members(object(text)))
        out.puts JSON.generate(
                   schedule.instants.transform_values { |t| t&.strftime("%Y-%m-%dT%H:%M:%SZ") }
                 )
        err.puts "no-bound-for-renewing-resolvers" if schedule.unbounded?
        0
      end

      def object(text)
        given = JSON.parse(text)
        given.is_a?(Hash) ? given : raise(Misused, "one JSON object is expected")
      rescue JSON::ParserError => e
        raise Misused, "it is no JSON (#{e.message.lines.first.strip[0, 120]})"
      end

      def members(given)
        unknown = given.keys - ["start", *SECONDS, *SAID]
        raise Misused, "“#{unknown.first}” is not known here" if unknown.any?

        {
          "start" => start(given),
          **SAID.to_h { |key| [key, said(given, key)] },
          **SECONDS.to_h { |key| [key, seconds(given, key)] }
        }.transform_keys(&:to_sym)
      end

      def start(given)
        text = given["start"] or
          raise Misused, "“start” is missing: an instant such as 2027-03-01T08:00:00Z is expected"
        Core::Instant.parse(text)
      rescue ArgumentError
        raise Misused, "start: “#{text}” is not an instant such as 2027-03-01T08:00:00Z"
      end

      def said(given, key)
        value =
          given.fetch(key) do
            key == "old_zone_ns_follows" ||
              raise(Misused, "“#{key}” is missing: true or false is expected")
          end
        if [true, false].include?(value)
          value
        else
          raise(Misused, "#{key}: true or false is expected, not #{value.inspect}")
        end
      end

      def seconds(given, key)
        value = given[key]
        return 0 if value.nil? && ONLY_WITH.key?(key) && given[ONLY_WITH[key]] == false
        raise Misused, "“#{key}” is missing: whole seconds are expected" if value.nil?

        (value.is_a?(Integer) && value.between?(0, MOST)) ||
          raise(
            Misused,
            "#{key}: whole seconds from 0 to #{MOST} are expected, not #{value.inspect[0, 60]}"
          )
        value
      end
      private_class_method :object, :members, :start, :said, :seconds
    end
  end
end
