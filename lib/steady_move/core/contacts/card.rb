# frozen_string_literal: true

module SteadyMove
  module Core
    module Contacts
      # One contact of a name as a connection shows it. role: registrant or admin; fields: {"name",
      # "org", "street", "city", "country", "voice", "email" => text}; mailbox: proven, asked,
      # bounced, unread or nil; shared_with: how many other names here have the same one.
      Card =
        Struct.new(
          :role,
          :fields,
          :mailbox,
          :mailbox_at,
          :shared_with,
          :on_name,
          keyword_init: true
        ) do
          # Fields that a gaining registrar wants and that aren't there. RFC 5733 §3.2.1 wants name,
          # city, country, e-mail; the others: common practice.
          # Nothing where only an address is known: then nobody can tell.
          def missing
            return [] unless whole?

            Card::WANTED.select { |f| fields[f].to_s.strip.empty? } + (bad_email? ? ["email"] : [])
          end

          def whole? = fields.key?("id")
          def email = fields["email"].to_s
          def complete? = whole? && missing.empty?

          private

          def bad_email? = !email.empty? && !email.match?(/\A[^\s@]+@[^\s@]+\.[^\s@]+\z/)
        end

      Card::WANTED = %w[name street city country voice email].freeze
    end
  end
end
