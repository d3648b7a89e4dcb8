# frozen_string_literal: true

require "yaml"

module SteadyMove
  module Desk
    # Where things are: a YAML file, overridden by environment variables STEADY_MOVE_DATA and STEADY_MOVE_PORT.
    # Addresses that the server fetches come from here and from the accounts, never from what a user types.
    class Config
      # Raised with one line when the file or the folder can't be used.
      class Unusable < StandardError; end

      # Seconds after which facts are looked up again before an act relies on them, where nothing else is set.
      FACTS_AGE = 3600

      attr_reader :data, :port, :timeout, :facts_age, :rdap_bases, :rdap_bootstrap, :dns_servers, :dns_parents, :mailbox, :outgoing, :registries

      # file: path of a YAML file, or nil for defaults; env: Hash of environment variables.
      def self.read(file, env: ENV)
        map = file ? YAML.safe_load_file(file) || {} : {}
        raise Unusable, "#{file}: a map of settings is expected" unless map.is_a?(Hash)

        new(map, env)
      rescue Psych::SyntaxError => e
        raise Unusable, "#{file}: line #{e.line}: #{e.problem}"
      rescue Errno::ENOENT
        raise Unusable, "#{file} is not there"
      end

      def initialize(map, env = {})
        @data = env["STEADY_MOVE_DATA"] || map["data"] || File.join(ROOT, "var", "desk")
        @port = Integer(env["STEADY_MOVE_PORT"] || map["port"] || 7460)
        @timeout = map["timeout"] || 15
        @facts_age = map["facts_age"] || FACTS_AGE
        outside(map)
        FileUtils.mkdir_p(@data)
        raise Unusable, "the data folder #{@data} can't be written" unless File.writable?(@data)
      rescue SystemCallError => e
        raise Unusable, "the data folder #{@data} can't be made: #{e.message}"
      end

      def outside(map)
        @rdap_bases = map.dig("rdap", "bases") || {}
        @rdap_bootstrap = map.dig("rdap", "bootstrap")
        @dns_servers = map.dig("dns", "servers") || {}
        @dns_parents = map.dig("dns", "parents") || {}
        @mailbox, @outgoing = map.values_at("mailbox", "outgoing").map { |place| place&.transform_keys(&:to_sym) }
        @registries = map["registries"] || []
      end
      private :outside

      def database = File.join(data, "steady-move.sqlite3")
      def key_file = File.join(data, "steady-move.key")
      def rulebook_folder = File.join(ROOT, "config", "rulebook")
    end
  end
end
