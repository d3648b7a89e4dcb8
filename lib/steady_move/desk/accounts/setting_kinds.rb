# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # What can be set on screen, and what each value must look like: an object a setting. check
      # raises Refused where a value (a map) doesn't fit.
      module SettingKinds
        ADDRESS = /\A[^\s@]+@[^\s@]+\z/
        WEB = %r{\Ahttps?://[^\s/]+}
        CURRENCY = /\A[A-Z]{3}\z/
        DAY = /\A\d{4}-\d\d-\d\d\z/
        RATE = /\A\d{1,9}(\.\d{1,9})?\z/

        # A list of names, each with its place; one of both has a form.
        Rows =
          Struct.new(:key, :part, :form) do
            def check(value)
              value.each do |name, place|
                given = part == :name ? name : place
                next if given.to_s.match?(form)

                raise Refused.new(:invalid, :"setting_#{key}", name: name, place: place)
              end
            end
          end

        # A server that mail is sent by.
        Outgoing =
          Struct.new(:key) do
            def check(value)
              whole = value["host"].to_s != "" && value["port"].to_i.between?(1, 65_535)
              return if whole && value["from"].to_s.match?(ADDRESS)

              raise Refused.new(:invalid, :setting_outgoing)
            end
          end

        # {"to" => "EUR", "date" => "2027-03-01", "GBP" => "1.17"}
        Rates =
          Struct.new(:key) do
            def check(value)
              rates = value.except("to", "date")
              whole = value["to"].to_s.match?(CURRENCY) && value["date"].to_s.match?(DAY)
              fine = rates.any? && rates.all? { |currency, rate| rate?(currency, rate) }
              raise Refused.new(:invalid, :setting_rates) unless whole && fine
            end

            def rate?(currency, rate)
              currency.match?(CURRENCY) && rate.to_s.match?(RATE) && rate.to_f.positive?
            end
          end

        # The region whose public holidays are no business days.
        Holidays =
          Struct.new(:key) do
            def check(value)
              known = Common::HolidayCalendar.regions
              region = value["region"].to_s
              return if known.include?(region)

              raise Refused.new(:invalid, :setting_holidays, given: region, known: known)
            end
          end

        # Where the list of public record services is fetched (RFC 9224).
        Bootstrap =
          Struct.new(:key) do
            def check(value)
              return if value["url"].to_s.match?(%r{#{WEB}/\S+\z}o)

              raise Refused.new(:invalid, :setting_bootstrap)
            end
          end

        ALL = [
          Rows.new("rdap_bases", :place, WEB),
          Rows.new("dns_servers", :place, /\A[^\s:]+:\d{1,5}\z/),
          Rows.new("dns_parents", :place, /\A[a-z0-9.-]+\z/i),
          Rows.new("registries", :name, /\A[a-z0-9.-]+\.[a-z0-9-]+\z/i),
          Outgoing.new("outgoing"),
          Rates.new("rates"),
          Bootstrap.new("bootstrap"),
          Holidays.new("holidays")
        ].freeze
        KEYS = ALL.map(&:key).freeze

        module_function

        # Raises Refused where nobody knows the key.
        def find(key)
          ALL.find { |kind| kind.key == key } ||
            raise(Refused.new(:invalid, :no_such_setting, given: key, known: KEYS))
        end
      end
    end
  end
end
