# frozen_string_literal: true

require "fileutils"

module SteadyMove
  module Desk
    # Where things are: a YAML file (ConfigFile reads and checks it), overridden by the environment
    # variables STEADY_MOVE_DATA and STEADY_MOVE_PORT. Addresses that the server fetches come from
    # here and from the accounts, never from what a user types.
    class Config
      # Seconds after which facts are looked up again before an act relies on them, where nothing
      # else is set.
      FACTS_AGE = 3600
      # Whoever may say where a request came from: proxies on the same machine.
      PROXIES = %w[127.0.0.1 ::1].freeze

      attr_reader :data,
                  :port,
                  :listen,
                  :path,
                  :proxies,
                  :timeout,
                  :facts_age,
                  :idle,
                  :address,
                  :backup,
                  :watch,
                  :hooks_inside,
                  :rdap_bases,
                  :rdap_bootstrap,
                  :rdap_bootstrap_url,
                  :dns_servers,
                  :dns_parents,
                  :mailbox,
                  :outgoing,
                  :registries,
                  :log,
                  :metrics,
                  :alerts,
                  :retention

      # file: path of a YAML file, or nil for defaults; env: Hash of environment variables. Raises
      # Refused.
      def self.read(file, env: ENV) = new(file ? ConfigFile.new(file).map : {}, env)

      def self.unusable(key, **values) = raise(Refused.new(:unusable, key, **values))

      # map: as ConfigFile has checked it.
      def initialize(map, env = {})
        @data = env["STEADY_MOVE_DATA"] || map["data"] || File.join(ROOT, "var", "desk")
        @port = Integer(env["STEADY_MOVE_PORT"] || map["port"] || 7460)
        serving(map)
        @timeout = map["timeout"] || 15
        @facts_age = map["facts_age"] || FACTS_AGE
        @idle = map["idle"] || People::Sessions::IDLE
        @backup = map["backup"]
        outside(map)
        keeping(map)
        take_folder
      end

      def database = File.join(data, "steady-move.sqlite3")
      def outlines_file = File.join(data, "outlines.cache")
      def key_file = File.join(data, "steady-move.key")
      def log_file = log["file"] || File.join(data, "web.log")
      def rulebook_folder = File.join(ROOT, "config", "rulebook")

      private

      def serving(map)
        @listen = map["listen"] || "127.0.0.1"
        @path = map["path"].to_s
        @proxies = map["proxies"] || PROXIES
        @address = map["address"]&.delete_suffix("/")
      end

      def outside(map)
        @rdap_bases = map.dig("rdap", "bases") || {}
        @rdap_bootstrap = map.dig("rdap", "bootstrap")
        @rdap_bootstrap_url = map.dig("rdap", "bootstrap_url")
        @watch = map.fetch("watch", true) != false
        @hooks_inside = map["hooks_inside"] == true
        @dns_servers = map.dig("dns", "servers") || {}
        @dns_parents = map.dig("dns", "parents") || {}
        @mailbox, @outgoing =
          map.values_at("mailbox", "outgoing").map { |place| place&.transform_keys(&:to_sym) }
        @registries = map["registries"] || []
      end

      def keeping(map)
        @log, @metrics, @alerts, @retention =
          %w[log metrics alerts retention].map { |key| map[key] || {} }
      end

      def take_folder
        FileUtils.mkdir_p(@data, mode: 0o700)
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
      rescue Errno::EROFS
        nil # a backup may be made from a folder that can only be read
      end
    end
  end
end
