# frozen_string_literal: true

module SteadyMove
  module Core
    module Names
      # Domain statuses in EPP and in RDAP and how they map (RFC 8056 §2; the table there, in its
      # order).
      module Statuses
        EPP_TO_RDAP = {
          "addPeriod" => "add period",
          "autoRenewPeriod" => "auto renew period",
          "clientDeleteProhibited" => "client delete prohibited",
          "clientHold" => "client hold",
          "clientRenewProhibited" => "client renew prohibited",
          "clientTransferProhibited" =>
            "client transfer " \
              "prohibited",
          "clientUpdateProhibited" => "client update prohibited",
          "inactive" => "inactive",
          "linked" => "associated",
          "ok" => "active",
          "pendingCreate" => "pending create",
          "pendingDelete" => "pending delete",
          "pendingRenew" => "pending renew",
          "pendingRestore" => "pending restore",
          "pendingTransfer" => "pending transfer",
          "pendingUpdate" => "pending update",
          "redemptionPeriod" => "redemption period",
          "renewPeriod" => "renew period",
          "serverDeleteProhibited" => "server delete prohibited",
          "serverRenewProhibited" => "server renew prohibited",
          "serverTransferProhibited" => "server transfer prohibited",
          "serverUpdateProhibited" =>
            "server update " \
              "prohibited",
          "serverHold" => "server hold",
          "transferPeriod" => "transfer period"
        }.freeze
        LOCK = "clientTransferProhibited"
        # What one lock sets at some registrars (RFC 5731 §2.3 has the statuses; that they go
        # together is common practice, no source).
        FOUR_LOCKS = [
          LOCK,
          "clientUpdateProhibited",
          "clientDeleteProhibited",
          "clientRenewProhibited"
        ].freeze
        # RDAP's words that don't say whose they are, or are about something else than a transfer
        # (RFC 9083 §10.2.2).
        RDAP_ALONE = [
          "validated",
          "renew prohibited",
          "update prohibited",
          "transfer prohibited",
          "delete prohibited",
          "proxy",
          "private",
          "removed",
          "obscured",
          "locked",
          "administrative",
          "reserved"
        ].freeze
        # With any of these a transfer is locked at the registrar; “locked” alone doesn't say of
        # what.
        LOCKS = [LOCK, "transfer prohibited"].freeze
        VAGUE = "locked"
        # Case, blanks of all kinds, “_” and “-” make no difference, nor does an address behind the
        # word, as registries write it.
        NOISE = /[[:space:]_-]+/
        ADDRESS = %r{https?://\S*}i
        FOLD = ->(text) { text.gsub(NOISE, "").downcase }
        FOLDED =
          EPP_TO_RDAP
            .flat_map { |epp, rdap| [[FOLD.call(epp), epp], [FOLD.call(rdap), epp]] }
            .to_h
            .merge(RDAP_ALONE.to_h { |word| [FOLD.call(word), word] })
            .freeze

        module_function

        # A status as a record or a registrar writes it → EPP's name, else RDAP's word where only
        # RDAP has it; a text that is neither is returned as it is, without blanks around.
        #   Names::Statuses.to_epp("client transfer prohibited") # => "clientTransferProhibited"
        #   Names::Statuses.to_epp("Client-Transfer_Prohibited https://x.test/#y")
        #     # => "clientTransferProhibited"
        #   Names::Statuses.to_epp("active") # => "ok"
        def to_epp(text)
          bare = text.gsub(ADDRESS, "")
          bare = text[/#(\w+)\s*\z/, 1].to_s if bare.gsub(NOISE, "").empty?
          FOLDED.fetch(FOLD.call(bare), text.strip)
        end

        # Is it one of those that EPP or RDAP know?
        def understood?(status) = FOLDED.value?(status)

        # Is the transfer lock on? statuses: as to_epp gives them, nil where none are known. Not
        # known where no list is, where one of them is not understood, or only “locked” stands
        # there.
        #   Names::Statuses.lock(["ok"]).no? # => true
        #   Names::Statuses.lock(["registry special"]).unknown? # => true
        def lock(statuses)
          return Answer::UNKNOWN if statuses.nil? || statuses.empty?
          return Answer::YES if statuses.intersect?(LOCKS)

          Answer.of(statuses.all? { |s| understood?(s) } && !statuses.include?(VAGUE) ? false : nil)
        end

        # EPP name → RDAP status text; a name outside the table is returned as it is.
        #   Names::Statuses.to_rdap("pendingTransfer") # => "pending transfer"
        def to_rdap(epp) = EPP_TO_RDAP.fetch(epp, epp)
      end
    end
  end
end
