# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # A domain's data in an info response (RFC 5731 §3.1.2). Times in UTC; signed: true where DS
      # or key data are told, else nil; auth_info only for those who may see it.
      DomainInfo =
        Struct.new(
          :name,
          :roid,
          :statuses,
          :name_servers,
          :sponsor,
          :created_at,
          :updated_at,
          :expires_at,
          :transferred_at,
          :signed,
          :auth_info,
          :registrant,
          :admin,
          keyword_init: true
        )
    end
  end
end
