# frozen_string_literal: true

require "stringio"

module SteadyMove
  module Web
    # The one door of the API: who is there, what is given, and only then the answer.
    module Door
      # How many wrong tries are free: for what comes from one place, for one person from there, and
      # for one person from everywhere (ASVS 4.0, 2.2.1: no more than 100 an hour).
      FREE = { place: 20, pair: 5, person: 95 }.freeze
      # What the sign-in does where nothing of a second factor is tried.
      SIGNED = { "signIn" => :signing_in, "signOut" => :signing_out }.freeze
      # What the journal says of a second factor that was given.
      GIVEN = {
        "secondFactor" => "factor_given",
        "secondFactorByPasskey" => "passkey_given",
        "secondFactorByRecovery" => "recovery_code_used"
      }.freeze
      # What a page asks by itself is no sign that somebody is there.
      BY_ITSELF = %w[events clock session later].freeze

      # The operation's body and its parameters, checked.
      attr_reader :given, :asked

      # Whoever is signed in with all that is asked of them.
      def person = known && !half_way? ? known : nil
      def half_way? = !known.nil? && known[:factor] && !SignIn.second_factor_given?(session)
      def me = person[:email]

      # Whose session this is; a session that has ended is emptied.
      def known
        return @known if defined?(@known)
        return @known = by_token if bearer

        id, key = SignIn.person_and_key(session)
        @known = id && application.people.signed_in(id, key, used: used?)
        session.clear if id && @known.nil?
        env["steady_move.person"] = @known && @known[:email]
        @known
      end

      def answered(operation, answer)
        @operation = operation
        known
        return signed(operation) if operation.sign_in

        admit(operation) unless operation.open
        take(operation)
        confirmed! if operation.confirmed
        return aside(operation, &answer) if operation.outside

        result = operation.tried ? tried { instance_exec(&answer) } : instance_exec(&answer)
        result.is_a?(String) ? result : json(result)
      end

      # What is given, checked.
      def take(operation)
        @asked = application.contract.check(operation, params)
        @given = operation.body && application.contract.body(read_body, operation)
      end

      # What a person tries with a secret: slowed after some that failed.
      def tried(keys = tries, &)
        application.throttle.attempt(keys, &)
      rescue Throttle::TooMany => e
        application.log.line(
          level: "warn",
          event: "slowed",
          seconds: e.seconds,
          person: env["steady_move.person"]
        )
        headers "Retry-After" => e.seconds.to_s
        raise Problem.say(429, :too_many_tries, seconds: e.seconds)
      end

      # The operation's body as it came; raises Problem 413.
      def read_body = Limits.read(request, person ? @operation.most : Limits::ANONYMOUS)

      private

      def tries
        place = { [:place, request.ip] => FREE[:place] }
        person ? place.merge([:own, person[:id]] => FREE[:pair]) : place
      end

      # A program shows its token instead of a session (RFC 6750 §2.1).
      def bearer = env["HTTP_AUTHORIZATION"].to_s[/\ABearer (\S{1,200})\z/i, 1]

      # Wrong tokens slow wrong tokens alone: nobody guesses one of 256 bits, and whoever shows a
      # right one is not to wait for those who try.
      def by_token
        found = application.tokens.person(bearer)
        tried([:token, request.ip] => FREE[:place]) { false } unless found
        raise Problem.say(401, :token_wrong) unless found

        env["steady_move.person"] = found[:email]
        found
      end

      # What lets people in, and what lets programs in, is nothing for programs.
      def for_people?(operation)
        operation.sign_in || operation.path.start_with?("/api/me", "/api/people")
      end

      def used? = env["HTTP_X_UNATTENDED"].nil? && !BY_ITSELF.include?(@operation.id)

      def admit(operation)
        raise Problem.say(401, half_way? ? :factor_first : :sign_in_first) unless person
        raise Problem.say(403, :token_may_not) if person[:token] && for_people?(operation)
        return if operation.role.nil? || Desk::People::Directory.may?(person[:role], operation.role)

        raise Problem.say(403, :role, role: operation.role, yours: person[:role])
      end

      # What weighs much wants the password again; a program's token was made with it.
      def confirmed!
        return if person[:token] || application.people.sessions.confirmed?(person[:session])

        raise Problem.new(403, Words.say(:"web.password_again"), :password_again, needs: "password")
      end

      # What the sign-in answers itself; what comes in is checked here all the same.
      def signed(operation)
        text = read_body
        data = operation.body ? application.contract.body(text, operation) : {}
        act = SIGNED.fetch(operation.id, :with_factor)
        status, headers, body = send(act, data, text)
        said = JSON.parse(body.to_enum(:each).to_a.join)
        return halt(status, headers, [JSON.generate(said)]) if status < 400

        offer = SignIn.offer(said, data) and return json(offer)

        raise Problem.new(status, said["error"] || Words.say(:"web.sign_in.refused"), :wrong)
      end

      def signing_in(data, text)
        found = application.people.by_email(data["email"])
        env["steady_move.person"] = found && found[:email]
        forgiven(found) if found
        device = application.device.known(request.cookies[Device::COOKIE], found && found[:id])
        answer = nil
        tried(sign_in_keys(data["email"].downcase, device)) do
          (answer = hand_on(text)).first == 200
        end
        application.device.mark(answer[1], found[:id]) if answer.first == 200
        told("sign-in", answer.first < 400)
        answer
      end

      # Somebody at the machine itself let this person try again.
      def forgiven(person)
        application.throttle.forgive(
          person[:email],
          desk.system_state["unlocked.#{person[:email]}"]
        )
      end

      # From a browser that the person knows, only its own tries count. Made-up persons are slowed
      # just so, but counted apart, so that many of them push out nobody's count.
      def sign_in_keys(email, device)
        return { [:device, device] => FREE[:pair] } if device

        pair, person = env["steady_move.person"] ? %i[pair person] : %i[made_up_pair made_up]
        {
          [:place, request.ip] => FREE[:place],
          [pair, request.ip, email] => FREE[:pair],
          [person, email] => FREE[:person]
        }
      end

      # Never slowed, and nothing to be wrong in: whoever wants to leave, leaves.
      def signing_out(_data, text) = hand_on(text)

      def with_factor(_data, text)
        answer = nil
        tried([:factor, known ? known[:id] : request.ip] => FREE[:pair]) do
          (answer = hand_on(text)).first < 400
        end
        told("second factor", answer.first < 400)
        factor_given if answer.first < 400
        answer
      end

      # What was given after the password; another way than before may be somebody else's.
      def factor_given
        kind = GIVEN[@operation.id]
        given = kind && SignIn.second_factor_given?(session)
        application.people.note(kind, env["steady_move.person"]) if given
      end

      # A line of the log for each try to get in; whom it was for only where there is such a person.
      def told(event, right)
        application.log.line(
          level: right ? "info" : "warn",
          event: event,
          right: right,
          person: env["steady_move.person"]
        )
      end

      def hand_on(text) = application.sign_in.call(env.merge("rack.input" => StringIO.new(text)))
    end
  end
end
