# frozen_string_literal: true

module Practice
  module Dns
    # The registry's own name server: the suffix's zone, made from the registry's data at each
    # question.
    class Parent
      Records = SteadyMove::Core::Records
      NS_TTL = 86_400

      attr_reader :id, :keys

      # suffixes: those whose zones it serves, e.g. “example” and “isl.test”.
      # glue: {host => [address]} of hosts that are named under the names that they serve (RFC 5732
      # §1.1).
      def initialize(id, suffixes, registry, server:, glue: {})
        @glue = glue
        @id = id
        @apexes = suffixes.map { |s| Records::Name.parse(s) }
        @registry = registry
        @server = server
        @keys = {}
      end

      def transfer? = false

      # A zone that holds the suffix's apex and the delegation that covers the name.
      def zone_for(name)
        apex = @apexes.find { |a| name.under?(a) } or return
        Records::ZoneReader.read(
          text(apex, name.labels.size > apex.labels.size ? delegation(name, apex) : []),
          origin: apex.to_s
        )
      end

      private

      def delegation(name, apex)
        child = Records::Name.new(name.labels.last(apex.labels.size + 1)).to_host.downcase
        row = @registry.find(child)
        row[:name_servers].map { |s| "#{child}. #{NS_TTL} IN NS #{s}." } +
          row[:ds].map { |ds| "#{child}. #{NS_TTL} IN DS #{ds}" } +
          row[:name_servers].select { |s| s.end_with?(".#{child}") }.flat_map { |s| addresses(s) }
      rescue Refusal
        []
      end

      def addresses(host)
        @glue
          .fetch(host, [])
          .map { |a| "#{host}. #{NS_TTL} IN #{a.include?(":") ? "AAAA" : "A"} #{a}" }
      end

      def text(apex, lines)
        [
          "#{apex} 3600 IN SOA #{@server}. hostmaster.#{@server}. 1 7200 3600 1209600 900",
          "#{apex} 3600 IN NS #{@server}.",
          *lines
        ].join("\n")
      end
    end
  end
end
