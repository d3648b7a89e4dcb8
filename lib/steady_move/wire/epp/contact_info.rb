# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # A contact's data in an info response (RFC 5733 §3.1.2). Times in UTC; changed_at is nil
      # where it never was.
      ContactInfo =
        Struct.new(
          :id,
          :name,
          :organization,
          :street,
          :city,
          :country,
          :voice,
          :email,
          :created_at,
          :changed_at,
          keyword_init: true
        )
    end
  end
end
