# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What the public record shows otherwise than the last time: told once, in the journal. A name
      # that is under way is told of by its move.
      module RecordChanges
        KEYS = %i[lock registrar expires_at name_servers signed].freeze

        module_function

        # before: what the record showed, {key => value} by Facts' keys; facts: what it shows now,
        # [Fact].
        def tell(ports, name, before, facts)
          ports = Ports.of(ports)
          return if before.empty? || ports.moves.open_for(name)

          now = facts.select { |f| f.source == :public_record }.to_h { |f| [f.key, f.value] }
          changed = KEYS.filter_map { |key| change(key, value(key, before), value(key, now)) }
          return if changed.empty?

          ports.journal.add(
            "record-changed",
            at: ports.now,
            by: "desk",
            name: name,
            says: Words.phrase("journal.record_changed", what: changed)
          )
        end

        # Not known is not another value.
        def change(key, was, is)
          return if was.nil? || is.nil? || was == is

          Words.phrase("record.#{key}", was: shown(was), is: shown(is))
        end

        def value(key, facts)
          case key
          when :lock
            Core::Names::Statuses.lock(facts[:statuses]).to_value
          when :name_servers
            facts[:name_servers]&.map(&:downcase)&.sort
          else
            facts[key]
          end
        end

        def shown(value)
          case value
          when true, false
            Words.phrase("record.#{value ? "yes" : "no"}")
          when Array
            value.empty? ? Words.phrase("record.none") : value.join(", ")
          else
            value
          end
        end
        private_class_method :change, :value, :shown
      end
    end
  end
end
