# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The code safe. A code itself is in one answer only: that of its reveal.
      module Codes
        def self.registered(app)
          app.error(Desk::CodeSafe::Invalid) { |e| refuse(409, sentence(e)) }
          app.helpers do
            def safe = Desk::CodeSafe.new(app_)

            def held_codes
              safe.all.map { |h| { name: h.name, state: h.state, received_at: Views::Json.time(h.received_at), expires_at: Views::Json.time(h.expires_at), move_id: h.move_id } }
            end
          end

          app.get("/api/codes") { json(codes: held_codes) }
          app.post("/api/codes/preview") { json(lines: safe.preview(body_as("CodeList")["text"]).map(&:to_h)) }

          app.post("/api/codes") do
            given = body_as("CodeList")
            json(lines: safe.keep(given["text"], by: person[:email], only: given["only"]).map(&:to_h))
          end

          app.post("/api/codes/:name/reveal") do |name|
            headers "Cache-Control" => "no-store"
            json(code: safe.reveal(name, by: person[:email], copied: body_as("Reveal")["copied"] == true))
          end

          app.post("/api/codes/:name/check") do |name|
            json(state: safe.check(name, by: person[:email]))
          end

          app.post("/api/codes/:name/wipe") do |name|
            safe.wipe(name, by: person[:email])
            json(codes: held_codes)
          end
        end
      end
    end
  end
end
