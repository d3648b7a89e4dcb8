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
          # Does the public record's address show a privacy service of this account?
          def stands_in?(email)
            !habits["privacy"].nil? && email.to_s.rpartition("@").last == habits["privacy"]
          end
          # Does it show the holder's own address?
          def readable?(email) = !email.to_s.empty? && !stands_in?(email)
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
