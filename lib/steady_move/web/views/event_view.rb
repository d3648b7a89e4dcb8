# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A journal line as JSON.
      module EventView
        module_function

        def line(event)
          {
            seq: event.seq,
            at: Json.time(event.at),
            type: event.type,
            step: event.step,
            says: Words.retold(event),
            by: event.by,
            **Json.name(event.name),
            evidence: Json.value(event.evidence),
            key: event.data["key"],
            import: event.data["import"]
          }
        end
      end
    end
  end
end
