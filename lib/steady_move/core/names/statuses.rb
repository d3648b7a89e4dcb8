# frozen_string_literal: true

module SteadyMove
  module Core
    module Names
      # Domain statuses in EPP and in RDAP and how they map (RFC 8056 §2; the table there, in its order).
      module Statuses
        EPP_TO_RDAP = {
          "addPeriod" => "add period", "autoRenewPeriod" => "auto renew period",
          "clientDeleteProhibited" => "client delete prohibited", "clientHold" => "client hold",
          "clientRenewProhibited" => "client renew prohibited", "clientTransferProhibited" => "client transfer " \
                                                                                              "prohibited",
          "clientUpdateProhibited" => "client update prohibited", "inactive" => "inactive", "linked" => "associated",
          "ok" => "active", "pendingCreate" => "pending create", "pendingDelete" => "pending delete",
          "pendingRenew" => "pending renew", "pendingRestore" => "pending restore",
          "pendingTransfer" => "pending transfer",
          "pendingUpdate" => "pending update", "redemptionPeriod" => "redemption period",
          "renewPeriod" => "renew period",
          "serverDeleteProhibited" => "server delete prohibited", "serverRenewProhibited" => "server renew prohibited",
          "serverTransferProhibited" => "server transfer prohibited", "serverUpdateProhibited" => "server update " \
                                                                                                  "prohibited",
          "serverHold" => "server hold", "transferPeriod" => "transfer period"
        }.freeze
        RDAP_TO_EPP = EPP_TO_RDAP.invert.freeze
        LOCK = "clientTransferProhibited"

        module_function

        # RDAP status text → EPP name; a text outside the table is returned as it is.
        #   Names::Statuses.to_epp("client transfer prohibited") # => "clientTransferProhibited"
        #   Names::Statuses.to_epp("active") # => "ok"
        def to_epp(rdap) = RDAP_TO_EPP.fetch(rdap.downcase, rdap)
        # EPP name → RDAP status text; a name outside the table is returned as it is.
        #   Names::Statuses.to_rdap("pendingTransfer") # => "pending transfer"
        def to_rdap(epp) = EPP_TO_RDAP.fetch(epp, epp)
      end
    end
  end
end
