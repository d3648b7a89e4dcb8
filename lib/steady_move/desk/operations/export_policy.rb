# frozen_string_literal: true

module SteadyMove
  module Desk
    module Operations
      # What of the database goes into an export, and how: one file of JSON lines for each table.
      # What lets somebody in, what is sealed, and what is worked out from the rest stays out.
      module ExportPolicy
        # Ways in, and counters that the database keeps for itself.
        LEFT_OUT = %i[
          sessions
          account_otp_keys
          account_webauthn_keys
          account_webauthn_user_ids
          passkey_challenges
          recovery_codes
          password_words
          invitations
          tokens
          calendars
          status_pages
          webhooks
          secrets
          codes
          originals
          pulse
          schema_info
          sqlite_sequence
          stamps
          gone
          keeping
          message_names
        ].freeze
        # Columns that are sealed, let somebody in, or are counted anew.
        NEVER = {
          accounts: %i[secret],
          agreements: %i[token_digest],
          dns_hosts: %i[secret],
          inboxes: %i[password],
          letters: %i[word],
          messages: %i[sealed_code],
          people: %i[password_hash],
          names: %i[revision],
          looks: %i[held_by held_until]
        }.freeze
        # What such a column holds after an import, where it must hold something: nobody gets in
        # with that.
        INSTEAD = { people: { password_hash: "!" }, names: { revision: 0 } }.freeze
        # A setting's members that are secret.
        SECRET = %w[password].freeze
        FORMAT = 1

        module_function

        # Tables in the order in which they are written.
        def tables(rows) = (rows.tables - LEFT_OUT - [:settings]).sort

        def columns(rows, table) = rows.columns(table) - NEVER.fetch(table, [])
      end
    end
  end
end
