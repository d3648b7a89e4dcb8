# frozen_string_literal: true

require "fileutils"
require "yaml"

module SteadyMove
  module Desk
    # Where things are: a YAML file, overridden by environment variables STEADY_MOVE_DATA and STEADY_MOVE_PORT.
    # Addresses that the server fetches come from here and from the accounts, never from what a user types.
    class Config
      # Seconds after which facts are looked up again before an act relies on them, where nothing else is set.
      FACTS_AGE = 3600

      attr_reader :data, :port, :timeout, :facts_age, :idle,
        :address, :backup, :watch, :rdap_bases, :rdap_bootstrap, :rdap_bootstrap_url, :dns_servers, :dns_parents,
        :mailbox, :outgoing,
        :registries

      # file: path of a YAML file, or nil for defaults; env: Hash of environment variables.
      def self.read(file, env: ENV)
        map = file ? YAML.safe_load_file(file) || {} : {}
        unusable(:config_no_map, file: file) unless map.is_a?(Hash)

        new(map, env)
      rescue Psych::SyntaxError => e
        unusable(:config_syntax, file: file, line: e.line, says: e.problem)
      rescue Errno::ENOENT
        unusable(:config_missing, file: file)
      end

      def self.unusable(key, **values) = raise(Refused.new(:unusable, key, **values))

      def initialize(map, env = {})
        @data = env["STEADY_MOVE_DATA"] || map["data"] || File.join(ROOT, "var", "desk")
        @port = Integer(env["STEADY_MOVE_PORT"] || map["port"] || 7460)
        @timeout = map["timeout"] || 15
        @facts_age = map["facts_age"] || FACTS_AGE
        @idle = map["idle"] || Sessions::IDLE
        @backup = map["backup"]
        @address = map["address"]&.delete_suffix("/")
        outside(map)
        FileUtils.mkdir_p(@data, mode: 0o700)
        self.class.unusable(:folder_read_only, folder: @data) unless File.writable?(@data)
        close_to_others
      rescue SystemCallError => e
        self.class.unusable(:folder_not_made, folder: @data, says: e.message)
      end

      # The data folder and what is in it are the desk's user's alone.
      def close_to_others
        File.chmod(0o700, @data) if File.owned?(@data)
        [database, "#{database}-wal", "#{database}-shm", key_file, outlines_file].each do |file|
          File.chmod(0o600, file) if File.owned?(file)
        end
      end
      private :close_to_others

      def outside(map)
        @rdap_bases = map.dig("rdap", "bases") || {}
        @rdap_bootstrap = map.dig("rdap", "bootstrap")
        @rdap_bootstrap_url = map.dig("rdap", "bootstrap_url")
        @watch = map.fetch("watch", true) != false
        @dns_servers = map.dig("dns", "servers") || {}
        @dns_parents = map.dig("dns", "parents") || {}
        @mailbox, @outgoing = map.values_at("mailbox", "outgoing").map { |place| place&.transform_keys(&:to_sym) }
        @registries = map["registries"] || []
      end
      private :outside

      def database = File.join(data, "steady-move.sqlite3")
      def outlines_file = File.join(data, "outlines.cache")
      def key_file = File.join(data, "steady-move.key")
      def rulebook_folder = File.join(ROOT, "config", "rulebook")
    end
  end
end
