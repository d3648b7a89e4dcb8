# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # Contacts, privacy, presence.
        module Persons
          # Do words by mail decide on this path: the family's approval, or a code that is mailed?
          def self.mail_decides?(facts, family)
            family.approval == "mail" || (family.code != "none" && facts[:code_by_mail] == true)
          end

          # The address that the mail goes to, and what is known of its mailbox: the administrative
          # contact's where the account writes to it.
          def self.decider(facts, family)
            return facts[:technical_email], facts[:technical_mailbox] if technical?(facts, family)

            admin = facts[:mail_role] == "admin" && family.approval != "mail" && facts[:admin_email]
            return facts.values.values_at(:registrant_email, :mailbox) unless admin

            [admin, facts[:admin_mailbox] || (facts[:mailbox] if admin == facts[:registrant_email])]
          end

          # The technical contact is in no record that anybody could fall back on: its address is
          # noted by hand.
          def self.technical?(facts, family)
            facts[:mail_role] == "technical" && family.approval != "mail"
          end

          def self.shown(email, entry) = email.to_s.empty? ? entry.words.fetch("none") : email

          READABLE = ->(about) do
            about.family.approval == "mail" || about.destination&.reads_contacts
          end

          PRIVACY_ON =
            Rule.of(:privacy, towards: [], asked: READABLE) do |facts, entry, _|
              service = facts[:privacy]
              service &&
                Rules.standing(
                  { service: service.is_a?(String) ? service : entry.words["unnamed"] }
                )
            end

          FIRST = %i[privacy code_after_privacy].freeze

          # The losing side gives no code while privacy is on, whoever has to read the contacts.
          CODE_AFTER_PRIVACY =
            Rule.of(rests_on: %w[privacy-on], towards: FIRST) do |facts, _, about|
              if about.hit?("privacy-on") || about.family.code == "none" ||
                   !facts[:code_after_privacy]
                next
              end
              next Rules.standing if facts[:privacy]

              [Rules.unknown(ALWAYS, EVER, :privacy)] if facts[:privacy].nil?
            end

          # mailbox: proven, unproven, bounced or unread. Unproven is a reason only where a mail
          # decides.
          UNREACHABLE =
            Rule.of(:registrant_email) do |facts, entry, about|
              email, mailbox = decider(facts, about.family)
              state = email.to_s.empty? ? "missing" : (mailbox || "unproven")
              if state == "proven" || (state == "unproven" && !mail_decides?(facts, about.family))
                next
              end

              Rules.standing(
                {
                  email: shown(email, entry),
                  state: entry.words.fetch(state, entry.words["unproven"])
                }
              )
            end

          CONTACT_ON_NAME =
            Rule.of(:registrant_email) do |facts, _, about|
              email = facts[:registrant_email].to_s
              domain = email[((email.rindex("@") || -1) + 1)..].downcase
              next if domain.empty?

              own = about.name.ascii
              within =
                domain.end_with?(own) && (domain.size == own.size || domain[-own.size - 1] == ".")
              Rules.standing({ email: email }) if within || facts[:same_zone]&.include?(domain)
            end

          # The registrant's own address is the trouble, and changing it starts a block of its own.
          CONTACT_TRAP =
            Rule.of(:registrant_email, rests_on: %w[contact-unreachable]) do |facts, entry, about|
              next if facts[:change_opted_out] || !about.hits.include?("contact-unreachable")

              own = facts[:registrant_email]
              if decider(facts, about.family).first != own ||
                   !about.family.rules.include?("registrant-change")
                next
              end

              Rules.standing({ email: shown(own, entry), days: entry.params.fetch("days") })
            end

          PRESENCE =
            Rule.of(asked: ->(about) { about.family.presence }) do |facts, _, about|
              Rules.standing({ presence: about.family.presence }) unless facts[:presence_proven]
            end

          RULES = {
            "privacy-on" => PRIVACY_ON,
            "privacy-first" => CODE_AFTER_PRIVACY,
            "contact-unreachable" => UNREACHABLE,
            "contact-on-name" => CONTACT_ON_NAME,
            "contact-trap" => CONTACT_TRAP,
            "presence" => PRESENCE
          }.freeze
        end
      end
    end
  end
end
