# frozen_string_literal: true

module SteadyMove
  module Core
    module Accounts
      # A registrar account: where names are held, how it is reached, and its habits (Habits).
      # connection: {host, port, client, ca_file, …}; prices: {currency, renew, transfer, …} in
      # minor units.
      Account =
        Struct.new(
          :id,
          :title,
          :registrar,
          :kind,
          :connection,
          :habits,
          :prices,
          :sender_domains,
          :secret,
          keyword_init: true
        ) do
          # {act => way}: how each act is done there (Moves::Channels).
          def ways = Moves::Channels.effective(kind, habits["ways"])
          # The separate service that stands in for contacts: {"title", "site", "login",
          # "identity"}, or nil.
          def privacy_service = habits["privacy_service"]
          # Is an address of a name's public record a privacy service's? true where it is the
          # account's own, or looks like one; false where the domain is the holders'; nil where
          # nobody knows.
          def stands_in(email, name)
            domain = email.to_s.downcase.rpartition("@").last
            return if domain.empty?
            return false if habits["own_domains"].to_a.include?(domain)
            return true if habits["privacy"] == domain

            looks = Contacts::StandIn.of(email, name)
            looks == :likely || (looks || habits["privacy"].nil? ? nil : false)
          end

          def stands_in?(email, name) = stands_in(email, name) == true

          # Does it show the holder's own address, as far as anybody can tell?
          def readable?(email, name)
            return false if email.to_s.empty? || stands_in?(email, name)

            habits["own_domains"].to_a.include?(email.downcase.rpartition("@").last) ||
              Contacts::StandIn.of(email, name).nil?
          end
          # suffix: without a leading dot; nil for those that hold in general. Returns Money::Prices.
          def prices_of(suffix = nil) = Money::Prices.for_suffix(prices, suffix)
          def epp? = kind == "epp"
          # What shall hold at it after a move, where nothing else is said
          # (Moves::TargetSettings).
          def aims = (epp? ? {} : { "auto_renew" => "on" }).merge(habits["aims"] || {})
          # What it is called in the public record.
          def public_names = [registrar, *habits["registrar_names"]]

          # Are both accounts at one registrar? As `shown_by?`.
          def same_registrar?(other)
            Readiness::Registrars.any_same?(
              public_names,
              habits["registrar_id"],
              { name: other.registrar, number: other.habits["registrar_id"] }
            )
          end

          # Is it the registrar that a public record shows? true, false, or nil where that can't be
          # told.
          def shown_by?(record)
            Readiness::Registrars.any_same?(
              public_names,
              habits["registrar_id"],
              { name: record.registrar, number: record.registrar_id }
            )
          end

          def inspect = "#<Account #{id}>"
        end
    end
  end
end
