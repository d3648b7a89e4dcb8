# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The rulebook and a site's own words on it.
      module Rulebook
        def self.registered(app)
          app.error(Desk::Overruling::Invalid, Core::Readiness::Rulebook::Invalid) { |e| refuse(422, sentence(e)) }

          app.get("/api/rulebook") { json(Views::RulebookView.book(app_.rulebook, app_.overrides.all)) }

          app.post("/api/rulebook/preview") do
            given = body_as("Overrule")
            json(Views::RulebookView.preview(Desk::Overruling.new(app_).preview(given["suffix"], given["key"], given["value"])))
          end

          app.post("/api/rulebook/overrides") do
            given = body_as("NewOverride")
            Desk::Overruling.new(app_).save(given["suffix"], given["key"], given["value"], source: given["source"], date: given["date"], by: person[:email])
            status 201
            json(Views::RulebookView.book(app_.rulebook, app_.overrides.all))
          end

          app.post("/api/rulebook/overrides/:id/take-back") do |id|
            Desk::Overruling.new(app_).take_back(id.to_i, by: person[:email])
            json(Views::RulebookView.book(app_.rulebook, app_.overrides.all))
          end
        end
      end
    end
  end
end
