# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What the account that holds a name says of it over its connection (RFC 5731 §3.1.2, RFC 5733
      # §3.1.2): the name, its contacts, and the deadline of a transfer under way. What it refuses
      # to show is not known, and takes nothing away that it showed before.
      class AccountLook
        # How long before landing an order may have been taken (rules of the job §5: ten days at
        # most).
        ORDERED_BEFORE = 10 * 86_400
        DAY = 86_400
        # Which facts each part of the look brings.
        REGISTRANT = %i[registrant_email registrant_changed_at registrant_contact].freeze
        ADMIN = %i[admin_email admin_contact].freeze
        ENDS = %i[transfer_ends_at].freeze
        FIELDS = {
          "id" => :id,
          "name" => :name,
          "org" => :organization,
          "street" => :street,
          "city" => :city,
          "country" => :country,
          "voice" => :voice,
          "email" => :email
        }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: DomainName; account: with a connection. Returns Brought; raises Wire::Error where
        # the name itself can't be asked for.
        def call(name, account)
          @ports.epp.with(account) { |client| ask(client, name, account) }
        end

        private

        def ask(client, name, account)
          data = client.request(command(:info, name: name.ascii)).data
          problems = []
          registrant = contact(client, data.registrant, account, problems)
          admin =
            if data.admin == data.registrant
              registrant
            else
              contact(client, data.admin, account, problems)
            end
          transfer = data.statuses.include?("pendingTransfer") ? transfer(client, name) : nil
          values = { **of_name(data), **of_registrant(registrant, data), **of_admin(admin) }
          ends = transfer && transfer != :refused ? transfer : nil
          Brought.new(
            facts: facts(account, values.merge(transfer_ends_at: ends&.act_at)),
            unseen: unseen(registrant, admin, transfer),
            problems: problems.uniq,
            transfer: ends
          ).freeze
        end

        def facts(account, values)
          ref = Words.say(:"sources.epp_info", at: account.title)
          Brought.facts(:account, ref, @ports.now, values)
        end

        def unseen(registrant, admin, transfer)
          [
            *(REGISTRANT if registrant == :refused),
            *(ADMIN if admin == :refused),
            *(ENDS if transfer == :refused)
          ]
        end

        def command(kind, **rest)
          Wire::Epp::Commands.public_send(kind, **rest, id: "look-#{@ports.random.rand(10**9)}")
        end

        # A contact by its id; nil where the name has none, :refused where it isn't shown.
        def contact(client, id, account, problems)
          id && client.request(command(:contact_info, contact: id)).data
        rescue Wire::Refused => e
          problems << Words.say(
            :"observe.contact_not_shown",
            who: account.title,
            contact: id,
            says: e.says
          )
          :refused
        end

        # TransferInfo, or :refused.
        def transfer(client, name)
          client.request(command(:transfer, op: "query", name: name.ascii)).data
        rescue Wire::Refused
          :refused
        end

        def of_name(data)
          {
            registered: true,
            statuses: data.statuses,
            expires_at: data.expires_at,
            created_at: data.created_at,
            transferred_at: data.transferred_at,
            name_servers: data.name_servers
          }
        end

        def of_registrant(contact, data)
          return {} if contact.nil? || contact == :refused

          {
            registrant_email: contact.email,
            registrant_changed_at: changed(contact, data),
            registrant_contact: fields(contact)
          }
        end

        def of_admin(contact)
          return {} if contact.nil? || contact == :refused

          { admin_email: contact.email, admin_contact: fields(contact) }
        end

        def fields(contact) = FIELDS.transform_values { |member| contact[member] }.compact

        # When the registrant was last changed: the contact's last change, or, where another contact
        # took its place later, that one's making. Where neither is: since it was made.
        def changed(contact, data)
          made = contact.created_at
          later = made if made && data.created_at && made > data.created_at + DAY
          moved = data.transferred_at
          [contact.changed_at, later].compact.reject { |t| moved && by_moving?(t, moved) }.max ||
            made
        end

        # A gaining side makes its contact object when it takes the order, and may touch it when the
        # name lands.
        def by_moving?(time, moved) = time.between?(moved - ORDERED_BEFORE, moved + DAY)
      end
    end
  end
end
