# frozen_string_literal: true

module Practice
  module Dns
    # The registry's own name server: the suffix's zone, made from the registry's data at each question.
    class Parent
      Records = SteadyMove::Core::Records
      NS_TTL = 86_400

      attr_reader :id, :keys

      def initialize(id, suffix, registry, server:)
        @id = id
        @suffix = suffix
        @registry = registry
        @server = server
        @keys = {}
      end

      def transfer? = false

      # A zone that holds the suffix's apex and the delegation that covers the name.
      def zone_for(name)
        apex = Records::Name.parse(@suffix)
        return unless name.under?(apex)

        Records::ZoneReader.read(text(name.labels.size > 1 ? delegation(name) : []), origin: @suffix)
      end

      private

      def delegation(name)
        child = Records::Name.new(name.labels.last(2)).to_host.downcase
        @registry.find(child)[:name_servers].map { |s| "#{child}. #{NS_TTL} IN NS #{s}." }
      rescue Refusal
        []
      end

      def text(lines)
        ["#{@suffix}. 3600 IN SOA #{@server}. hostmaster.#{@server}. 1 7200 3600 1209600 900", "#{@suffix}. 3600 IN NS #{@server}.", *lines].join("\n")
      end
    end
  end
end
