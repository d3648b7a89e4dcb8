# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # A domain in the public record (RFC 9083 §5.3). Statuses in EPP's words (RFC 8056); times in
      # UTC. What the record doesn't say is nil, which is neither yes nor no: statuses, signed.
      # registrar_id: the registrar's number (IANA's registry of registrar ids), or nil; redacted:
      # what the record says that it leaves out (RFC 9537), as names; odd: what of it could not be
      # read, and is not known therefore, as texts.
      Domain =
        Struct.new(
          :name,
          :handle,
          :statuses,
          :registrar,
          :registrar_id,
          :name_servers,
          :created_at,
          :expires_at,
          :updated_at,
          :transferred_at,
          :signed,
          :ds,
          :registrant_email,
          :admin_email,
          :redacted,
          :url,
          :odd,
          keyword_init: true
        ) do
          # Does a status stand? nil where the record shows none at all.
          def status?(name) = statuses&.include?(name)
          # Is the transfer lock on? An Answer.
          def lock = Core::Names::Statuses.lock(statuses)
        end
    end
  end
end
