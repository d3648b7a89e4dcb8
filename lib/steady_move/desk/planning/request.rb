# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What is to be planned. name: A-label text held here; to: account id.
      # What a person chose: host: DNS host id, or nil to keep the name servers; aims: what shall
      # hold afterwards, where it differs from the account's own (Core::Moves::TargetSettings), Hash
      # or nil; choice: of Core::Records::CarryChoices, where the host alone doesn't say it; lower:
      # are TTLs lowered first, nil where the desk decides; late: where the name may expire on the
      # way, “renew” it first, or “go” all the same.
      # age: facts are looked up again that are older than so many seconds, because an act will rely
      # on them; nil for as they are. unasked: the present DNS host is not asked, where only an
      # outline is wanted. on: Time on whose day it is priced, nil for now.
      Request =
        Struct.new(
          :name,
          :to,
          :host,
          :aims,
          :choice,
          :lower,
          :late,
          :age,
          :unasked,
          :on,
          keyword_init: true
        ) do
          # The same, resting on facts no older than so many seconds.
          def fresh(seconds) = self.class.new(**to_h, age: seconds).freeze
        end
    end
  end
end
