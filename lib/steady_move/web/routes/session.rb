# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Who is signed in, what time it is, what changed, and the contract itself.
      module Session
        extend Answers

        on "session" do
          { signed_in: !person.nil?, second_factor: half_way? == true, email: person && person[:email], role: person &&
            person[:role],
            now: Views::Json.time(now), csrf: Rack::Protection::AuthenticityToken.token(session),
            practice: !application.practice.nil?, first_run: application.first_run.open?, version: VERSION,
            may: person ? application.contract.allowed(person[:role]) : [] }
        end

        on("me") { { email: me, role: person[:role], second_factor: application.people.second_factor?(person[:id]) } }
        on("clock") { { now: Views::Json.time(now), runs: application.practice.nil? || application.practice.runs? } }
        on("contract") { content_type(:json) && application.contract.json }

        on "events" do
          raise Problem.say(409, :too_many_pages) if application.hub.full?

          headers "Cache-Control" => "no-store", "X-Accel-Buffering" => "no"
          content_type "text/event-stream"
          application.hub.stream
        end
      end
    end
  end
end
