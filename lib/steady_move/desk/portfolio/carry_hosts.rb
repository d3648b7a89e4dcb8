# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # DNS hosts that could take a name's records. None is taken unless a person chose it.
      module CarryHosts
        module_function

        # host: Store::Accounts::Host; to: the destination's id, or nil. One that ends with the
        # account where the name goes is as good as one that stands by itself; one that ends with
        # another is none.
        def fits?(host, to) = host.ends_with.nil? || host.ends_with == to

        # The one that a person chose for a name, where it fits; nil where nobody did.
        def chosen(ports, name, to:)
          ports = Ports.of(ports)
          id = ports.zone_migrations.carry(name)&.host_id
          host = id && ports.accounts.host_of(id)
          host if host && fits?(host, to)
        end
      end
    end
  end
end
