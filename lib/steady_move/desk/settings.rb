# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    # Where the outside is: the configuration file's words, over them what an administrator set on screen.
    class Settings
      # What can't be taken; says which member and what is expected.
      class Invalid < StandardError; end

      Places = Struct.new(:rdap_bases, :dns_servers, :dns_parents, :mailbox, :outgoing, :registries, keyword_init: true)
      KEYS = %w[rdap_bases dns_servers dns_parents mailbox outgoing registries].freeze

      def initialize(db, safe, config)
        @rows = db[:settings]
        @safe = safe
        @config = config
      end

      def places
        bases = bootstrap.merge(@config.rdap_bases).merge(get("rdap_bases") || {})
        Places.new(rdap_bases: bases, dns_servers: @config.dns_servers.merge(get("dns_servers") || {}),
                   dns_parents: @config.dns_parents.merge(get("dns_parents") || {}),
                   mailbox: get("mailbox")&.transform_keys(&:to_sym) || @config.mailbox, outgoing: get("outgoing")&.transform_keys(&:to_sym) || @config.outgoing,
                   registries: get("registries")&.keys || @config.registries)
      end

      # key: one of KEYS; value: a map, or nil to take the setting back. Raises Invalid.
      def set(key, value, at:)
        raise Invalid, "“#{key}” is not a setting; #{KEYS.join(', ')} are" unless KEYS.include?(key)
        return @rows.where(key: key).delete if value.nil? || value.empty?

        check(key, value)
        @rows.insert_conflict(:replace).insert(key: key, sealed: @safe.seal(JSON.generate(value)), changed_at: at.to_i)
      end

      # What the screen shows: the values without passwords, and where each comes from.
      def shown
        p = places
        { rdap_bases: p.rdap_bases, dns_servers: p.dns_servers, dns_parents: p.dns_parents,
          mailbox: p.mailbox&.slice(:host, :port, :login, :tls, :folder), outgoing: p.outgoing&.slice(:host, :port, :login, :tls, :from), registries: p.registries, set_here: @rows.select_order_map(:key) }
      end

      private

      def get(key) = (sealed = @rows.where(key: key).get(:sealed)) && JSON.parse(@safe.open(sealed))

      # RFC 9224 §4: services are pairs of a list of suffixes and a list of base URLs; https is preferred.
      def bootstrap
        file = @config.rdap_bootstrap or return {}
        JSON.parse(File.read(file)).fetch("services").flat_map do |suffixes, urls|
          best = urls.find { |u| u.start_with?("https:") } || urls.first
          suffixes.map { |s| [s.downcase, best] }
        end.to_h
      rescue JSON::ParserError, KeyError, SystemCallError => e
        raise Config::Unusable, "the RDAP bootstrap file #{file} can't be read: #{e.message.lines.first.strip}"
      end

      def check(key, value)
        value.each do |name, place|
          case key
          when "rdap_bases" then expect(place.to_s.match?(%r{\Ahttps?://[^\s/]+}), "#{name}: “#{place}” is not a base URL")
          when "dns_servers" then expect(place.to_s.match?(/\A[^\s:]+:\d{1,5}\z/), "#{name}: “#{place}” is not host:port")
          when "registries" then expect(name.match?(/\A[a-z0-9.-]+\.[a-z0-9-]+\z/i), "registries: “#{name}” is not a domain that mail comes from")
          when "dns_parents" then expect(place.to_s.match?(/\A[a-z0-9.-]+\z/i), "#{name}: “#{place}” is not a name server")
          end
        end
        expect(value["host"].to_s != "" && value["from"].to_s.match?(/\A[^\s@]+@[^\s@]+\z/) && value["port"].to_i.between?(1, 65_535), "outgoing: host, port and from (an address) are needed") if key == "outgoing"
        expect(value["host"].to_s != "" && value["login"].to_s != "" && value["port"].to_i.between?(1, 65_535), "mailbox: host, port and login are needed") if key == "mailbox"
      end

      def expect(holds, message) = holds || raise(Invalid, message)
    end
  end
end
