# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # What a person does with what lets them in: password, second factors, sessions.
      module OwnSignIn
        extend Answers

        # The page of it.
        module Helpers
          def own_page(session_id = person[:session][:id])
            own = application.people.factors.standing(person[:id])
            {
              email: me,
              role: person[:role],
              second_factor: application.people.factors.any?(person[:id]),
              authenticator: own[:authenticator],
              recovery_codes: own[:recovery_codes],
              passkeys:
                own[:passkeys].map do |k|
                  {
                    id: k[:webauthn_id],
                    title: k[:title],
                    last_use: Views::Json.time(k[:last_use])
                  }
                end,
              sessions:
                application
                  .people
                  .sessions
                  .for_person(person[:id])
                  .map { |row| shown_session(row, session_id) }
            }
          end

          def shown_session(row, this)
            {
              id: row[:id],
              this: row[:id] == this,
              began_at: Views::Json.time(Time.at(row[:began_at])),
              seen_at: Views::Json.time(Time.at(row[:seen_at])),
              agent: row[:agent],
              address: row[:address]
            }
          end

          # A new session for whoever is signed in, under a new key.
          def session_anew
            sessions = application.people.sessions
            session[SignIn::KEY] = sessions.begin(
              person[:id],
              agent: request.user_agent,
              address: request.ip
            )
            sessions.find(person[:id], session[SignIn::KEY])[:id]
          end
        end

        on("me") { own_page }

        on "changePassword" do
          application.people.change_password(
            person[:id],
            given["old"],
            given["new"],
            keep: given["keep"] || []
          )
          own_page(session_anew)
        end

        on("keepViews") { application.people.keep_views(person[:id], given) }

        on "confirm" do
          key = SignIn.person_and_key(session).last
          application.people.confirm(person[:id], key, given["password"])
          { until: Views::Json.time(Time.now + Desk::People::Sessions::CONFIRMED) }
        end

        on "newRecoveryCodes" do
          { codes: application.people.new_recovery_codes(person[:id], given["password"]) }
        end

        on "endSession" do
          unless application.people.sessions.finish_id(person[:id], asked[:id]).positive?
            raise Problem.say(404, :no_session)
          end

          application.people.note("own_session_ended", me)
          own_page
        end

        on "endOtherSessions" do
          application.people.sessions.finish_all(
            person[:id],
            but: SignIn.person_and_key(session).last
          )
          application.people.note("own_sessions_ended", me)
          own_page
        end

        # Nobody can tell from the answer, nor from how long it takes, whether there is such a
        # person.
        on "forgotPassword" do
          raise Problem.say(409, :no_mail_for_passwords) unless desk.sender

          email = given["email"]
          page = "#{application.address}/new-password"
          application
            .jobs
            .start(by: "password #{email}", of: 1, lane: "mail", patience: 0) do
              application.people.password_words.mail(email, address: page) || true
            end
          status 202
          { says: Words.say(:"web.password_mailed") }
        end

        on("newPassword") do
          { email: application.people.password_words.use(given["word"], given["password"]) }
        end
      end
    end
  end
end
