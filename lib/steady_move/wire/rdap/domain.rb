# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # A domain in the public record (RFC 9083 §5.3). Statuses in EPP's words (RFC 8056); times in UTC.
      Domain = Struct.new(:name, :handle, :statuses, :registrar, :name_servers, :created_at, :expires_at, :updated_at,
        :transferred_at, :signed, :ds, :registrant_email, :admin_email, :url, keyword_init: true)
    end
  end
end
