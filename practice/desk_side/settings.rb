# frozen_string_literal: true

module Practice
  module DeskSide
    # The desk's configuration for a practice world: only addresses differ from the real network.
    module Settings
      module_function

      # Returns the map that Desk::Config reads.
      def map(endpoints, scenario, data:, port:, timeout: 15, watch: true)
        ports = endpoints.fetch("ports")
        {
          "data" => data,
          "port" => port,
          "timeout" => timeout,
          "watch" => watch,
          "rdap" => {
            "bases" => scenario.suffixes.to_h { |s| [s, "http://127.0.0.1:#{ports["http"]}/rdap/"] }
          },
          "dns" => {
            "servers" => servers(ports, scenario),
            "parents" => scenario.suffixes.to_h { |s| [s, scenario.registry["server"]] }
          },
          "mailbox" => {
            "host" => "127.0.0.1",
            "port" => ports["imap"],
            "tls" => false,
            **scenario.mailbox.slice("login", "password"),
            "authserv_id" => scenario.mailbox["server"]
          },
          "outgoing" => {
            "host" => "127.0.0.1",
            "port" => ports["smtp"],
            "tls" => "no",
            "from" => scenario.mailbox["login"]
          },
          "registries" => [scenario.registry["sender"].partition("@").last]
        }
      end

      def servers(ports, scenario)
        scenario
          .hosts
          .flat_map { |id, h| h["name_servers"].map { |s| [s, "127.0.0.1:#{ports["dns-#{id}"]}"] } }
          .to_h
          .merge(scenario.registry["server"] => "127.0.0.1:#{ports["dns-registry"]}")
      end
      private_class_method :servers
    end
  end
end
