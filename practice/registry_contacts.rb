# frozen_string_literal: true

module Practice
  # The registry's contacts (RFC 5733), and whose address the public record shows.
  module RegistryContacts
    def add_contact(row) = @db[:contacts].insert(row)

    # A contact's data (RFC 5733 §3.1.2), for its sponsor.
    def contact(client, id)
      row = @db[:contacts].where(id: id).first or raise Refusal, 2303
      raise Refusal, 2201 unless row[:sponsor] == client

      row
    end

    # Whose address the public record shows: the holder's, or that of a service that stands in (the
    # veil).
    def shown_email(row, role) = row[:veil] || @db[:contacts].where(id: row[role]).get(:email)

    # email: the new address of a contact; a change of a registrant's starts its block, unless the
    # opt-out was declared.
    def change_contact(client, id, email:, at:, opted_out: false)
      contact(client, id)
      @db[:contacts].where(id: id).update(email: email, updated_at: at.to_i, opted_out: opted_out)
    end

    # address: of a privacy service, or nil to show the holder.
    def veil(client, name, address, at:)
      raise Refusal, 2201 unless find(name)[:sponsor] == client

      save(name, veil: address, updated_at: at.to_i)
    end

    # A separate entry for the administrative contact of one name.
    def own_admin(name)
      row = find(name)
      id = "a-#{row[:roid].downcase}"
      return row[:admin] if row[:admin] != row[:registrant]

      held = @db[:contacts].where(id: row[:registrant]).first
      add_contact(held.merge(id: id, roid: "A#{row[:roid]}", updated_at: nil))
      save(name, admin: id)
      id
    end
  end
end
