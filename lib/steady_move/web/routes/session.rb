# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Who is signed in, what time it is, what changed, and the contract itself.
      module Session
        extend Answers

        # Of a stream that outlives its request.
        module Helpers
          def person_still_here?
            id, key = SignIn.person_and_key(session)
            !application.people.signed_in(id, key, used: false).nil?
          end
        end

        on "session" do
          {
            signed_in: !person.nil?,
            second_factor: half_way? == true,
            email: person && person[:email],
            role: person && person[:role],
            now: Views::Json.time(now),
            csrf: Rack::Protection::AuthenticityToken.token(session),
            practice: !application.practice.nil?,
            first_run: application.first_run.open?,
            version: VERSION,
            may: person ? application.contract.allowed(person[:role]) : [],
            views: person ? application.people.views(person[:id]) : {}
          }
        end

        on "clock" do
          {
            now: Views::Json.time(now),
            runs: application.practice.nil? || application.practice.runs?,
            trouble: desk.trouble
          }
        end
        on("contract") { content_type(:json) && application.contract.json }

        on "events" do
          stream = application.hub.stream(person[:id], since: asked[:since]) { person_still_here? }
          raise Problem.say(409, :too_many_pages) unless stream

          headers "Cache-Control" => "no-store",
                  "X-Accel-Buffering" => "no",
                  "rack.hijack" => stream.method(:call)
          content_type "text/event-stream"
          ""
        end
      end
    end
  end
end
