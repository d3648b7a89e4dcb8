# frozen_string_literal: true

require "forwardable"

module SteadyMove
  module Core
    module Post
      # A message as it is kept, with what was understood and what a person said of it. id: the
      # desk's own number of it; message: Message, without its octets and with what may be a code
      # out of sight; reading: Reading, without its codes, which are sealed; read_kind: the kind by
      # its words alone; letter_id: of our letter that it answers; facts: what follows from it once
      # it counts, by name; bodiless: only its head is kept; has_codes: codes of it are sealed
      # beside it.
      Kept =
        Struct.new(
          :id,
          :message,
          :reading,
          :read_kind,
          :move_id,
          :letter_id,
          :corrected_by,
          :facts,
          :bodiless,
          :has_codes,
          keyword_init: true
        ) do
          extend Forwardable
          def_delegators :message, :place, :message_id, :sender, :recipient, :subject, :text, :at
          def_delegators :reading,
                         :kind,
                         :names,
                         :link,
                         :links,
                         :deadline,
                         :because,
                         :trust,
                         :proven?,
                         :doubtful?

          def passed? = fact?(:passed)
          def ended? = fact?(:ended)
          # Facts have texts as keys once they were stored.
          def fact?(key) = facts[key] == true || facts[key.to_s] == true
          def inspect = "#<Kept #{id}>"
        end
    end
  end
end
