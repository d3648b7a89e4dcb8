# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Accounts
      # Where the outside is: the configuration file's words, over them what an administrator set on
      # screen.
      class Settings
        # mail_server: {ids: [how the mailbox's own server is called in Authentication-Results],
        # trusting: it delivers nothing that is not proven}.
        Places =
          Struct.new(
            :rdap_bases,
            :dns_servers,
            :dns_parents,
            :mailbox,
            :mail_server,
            :outgoing,
            :registries,
            keyword_init: true
          )
        KEYS = %w[
          rdap_bases
          dns_servers
          dns_parents
          mailbox
          mail_server
          outgoing
          registries
          rates
          bootstrap
          holidays
          mailbox2
          mailbox3
          mailbox4
          mailbox5
        ].freeze
        MAILBOXES = %w[mailbox mailbox2 mailbox3 mailbox4 mailbox5].freeze
        LOOPBACK = /\A(?:localhost|127\.\d+\.\d+\.\d+|::1)\z/
        ADDRESS = /\A[^\s@]+@[^\s@]+\z/
        # What each row of a setting has to look like: its name, or its place.
        ROWS = {
          "rdap_bases" => [:place, %r{\Ahttps?://[^\s/]+}],
          "dns_servers" => [:place, /\A[^\s:]+:\d{1,5}\z/],
          "registries" => [:name, /\A[a-z0-9.-]+\.[a-z0-9-]+\z/i],
          "dns_parents" => [:place, /\A[a-z0-9.-]+\z/i]
        }.freeze

        # documents: Store::Watches, for the kept bootstrap.
        def initialize(db, safe, config, documents: nil)
          @documents = documents
          @rows = Store::SettingRows.new(db, safe)
          @config = config
        end

        def places
          bases =
            kept_bootstrap.merge(bootstrap).merge(@config.rdap_bases).merge(get("rdap_bases") || {})
          Places.new(
            rdap_bases: bases,
            dns_servers: @config.dns_servers.merge(get("dns_servers") || {}),
            dns_parents: @config.dns_parents.merge(get("dns_parents") || {}),
            mailbox: get("mailbox")&.transform_keys(&:to_sym) || @config.mailbox,
            mail_server: mail_server,
            outgoing: get("outgoing")&.transform_keys(&:to_sym) || @config.outgoing,
            registries: get("registries")&.keys || @config.registries
          )
        end

        # key: one of KEYS; value: a map, or nil to take the setting back. Raises Refused.
        def set(key, value, at:)
          unless KEYS.include?(key)
            raise Refused.new(:invalid, :no_such_setting, given: key, known: KEYS)
          end
          return @rows.remove(key) if value.nil? || value.empty?

          check(key, value)
          @rows.set(key, value, at: at)
        end

        # All mailboxes that are read, in their places: [endpoint or nil].
        def mailboxes
          [places.mailbox, *MAILBOXES.drop(1).map { |key| get(key)&.transform_keys(&:to_sym) }]
        end

        # What the screen shows: the values without passwords, and where each comes from.
        def shown
          p = places
          {
            rdap_bases: p.rdap_bases,
            dns_servers: p.dns_servers,
            dns_parents: p.dns_parents,
            mailbox: p.mailbox&.slice(:host, :port, :login, :tls, :folder),
            mailboxes:
              MAILBOXES
                .zip(mailboxes)
                .to_h
                .transform_values { |m| m&.slice(:host, :port, :login, :tls, :folder) },
            mail_server: p.mail_server,
            outgoing: p.outgoing&.slice(:host, :port, :login, :tls, :from),
            registries: p.registries,
            bootstrap: bootstrap_shown,
            rates: get("rates"),
            holidays: holidays,
            set_here: @rows.keys
          }
        end

        # Where the list of public record services is fetched (RFC 9224), or nil where it is
        # switched off.
        def bootstrap_url
          said = get("bootstrap")
          return said["url"] if said

          @config.rdap_bootstrap_url
        end

        # Rates that somebody typed in (Core::Money::Conversion::Rates), or nil.
        def rates
          said = get("rates") or return
          Core::Money::Conversion::Rates.new(
            to: said["to"],
            date: said["date"],
            rates: said.except("to", "date")
          )
        end

        # The region whose public holidays are no business days, or nil.
        def holidays = get("holidays")&.fetch("region")

        # {url, fetched_at, suffixes}; url nil where it is switched off.
        def bootstrap_shown
          text, at = @documents&.document(Bootstrap::KEY)
          {
            url: bootstrap_url,
            fetched_at: at&.iso8601,
            suffixes: text ? Bootstrap.services(text).size : 0
          }
        end

        private

        def get(key) = @rows.get(key)

        def mail_server
          said =
            get("mail_server") ||
              { "ids" => @config.mailbox.to_h[:authserv_id], "trusting" => false }
          { ids: said["ids"].to_s.downcase.split(/[\s,]+/), trusting: said["trusting"] == true }
        end

        # The same list as a file, where the configuration names one.
        def bootstrap
          file = @config.rdap_bootstrap or return {}
          Bootstrap.services(File.read(file))
        rescue Wire::Malformed, SystemCallError => e
          raise Refused.new(
                  :unusable,
                  :bootstrap_unreadable,
                  file: file,
                  says: e.message.lines.first.strip
                )
        end

        def check(key, value)
          part, pattern = ROWS[key]
          if pattern
            value.each do |name, place|
              expect(key, name, place, part == :name ? name : place, pattern)
            end
          end
          expect_server(key, value, "from" => ADDRESS) if key == "outgoing"
          expect_mailbox(key, value) if MAILBOXES.include?(key)
          expect_rates(value) if key == "rates"
          expect_region(value["region"].to_s) if key == "holidays"
          if key == "bootstrap" && !value["url"].to_s.match?(%r{\Ahttps?://[^\s/]+/\S+\z})
            raise Refused.new(:invalid, :setting_bootstrap)
          end
          return unless key == "mail_server"

          known = value.keys - %w[ids trusting] == [] && value["ids"].to_s.match?(/\A[\w.:, -]*\z/)
          unless known && [true, false].include?(value["trusting"])
            raise Refused.new(:invalid, :setting_mail_server)
          end
        end

        def expect_region(region)
          known = Common::HolidayCalendar.regions
          unless known.include?(region)
            raise Refused.new(:invalid, :setting_holidays, given: region, known: known)
          end
        end

        # Without encryption only on this machine: the password would be readable on the way.
        def expect_mailbox(_key, value)
          expect_server("mailbox", value, "login" => /\S/)
          plain = %w[false no].include?(value.fetch("tls", true).to_s)
          if plain && !value["host"].match?(LOOPBACK)
            raise Refused.new(:invalid, :setting_mailbox_plain)
          end
          return if %w[true yes starttls false no].include?(value.fetch("tls", true).to_s)

          raise Refused.new(:invalid, :setting_mailbox_tls, given: value["tls"])
        end

        # {"to" => "EUR", "date" => "2027-03-01", "GBP" => "1.17"}
        def expect_rates(value)
          whole =
            value["to"].to_s.match?(/\A[A-Z]{3}\z/) &&
              value["date"].to_s.match?(/\A\d{4}-\d\d-\d\d\z/)
          rates = value.except("to", "date")
          fine =
            rates.any? &&
              rates.all? do |currency, rate|
                currency.match?(/\A[A-Z]{3}\z/) && rate.to_s.match?(/\A\d{1,9}(\.\d{1,9})?\z/) &&
                  rate.to_f.positive?
              end
          raise Refused.new(:invalid, :setting_rates) unless whole && fine
        end

        def kept_bootstrap
          text, = bootstrap_url && @documents&.document(Bootstrap::KEY)
          text ? Bootstrap.services(text) : {}
        end

        def expect(key, name, place, text, pattern)
          text.to_s.match?(pattern) ||
            raise(Refused.new(:invalid, :"setting_#{key}", name: name, place: place))
        end

        def expect_server(key, value, members)
          whole = value["host"].to_s != "" && value["port"].to_i.between?(1, 65_535)
          (whole && members.all? { |member, pattern| value[member].to_s.match?(pattern) }) ||
            raise(Refused.new(:invalid, :"setting_#{key}"))
        end
      end
    end
  end
end
