# frozen_string_literal: true

require "roda"
require "rodauth"

module SteadyMove
  module Web
    # Signing in and out, and second factors (TOTP, RFC 6238; passkeys, WebAuthn level 2; recovery
    # codes): a small Rack application of Rodauth, to which the API hands those of its operations
    # that the contract marks with x-sign-in.
    module SignIn
      FACTORS = %w[totp webauthn recovery_code].freeze
      OFFERS = %w[otp_secret webauthn_setup webauthn_auth].freeze
      KEY = "active_session_id"

      module_function

      # The application for this desk. people: Desk::People::Directory; address: the desk's own
      # where it is configured.
      def application(db, secret, people:, address: nil)
        Class
          .new(Roda) do
            plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
            plugin :rodauth, json: :only, csrf: false do
              enable :json, :login, :logout, :active_sessions, :otp, :webauthn, :recovery_codes
              db db
              hmac_secret secret
              domain "localhost"
              only_json? true
              max_param_bytesize 16_384
              SignIn.people(self, people)
              SignIn.sessions(self, people.sessions)
              SignIn.authenticator(self, people)
              SignIn.passkeys(self, people, address)
              SignIn.recovery(self, people)
            end

            route(&:rodauth)
          end
          .freeze
          .app
      end

      # Who is signed in in this session: a person's id and the session's key, or nils.
      def person_and_key(session) = [session["account_id"] || session[:account_id], session[KEY]]
      # Was a second factor given in this session?
      def second_factor_given?(session) = Array(session["authenticated_by"]).intersect?(FACTORS)

      # Is an answer what a set-up or a passkey begins with? given: the request's members. Returns
      # it alone, or nil.
      def offer(said, given)
        member = OFFERS.find { |m| said.key?(m) && !given.key?(m) }
        member && said.except("field-error", "error")
      end

      def say(key) = Words.say(:"web.sign_in.#{key}")

      def people(rodauth, people)
        rodauth.instance_exec do
          accounts_table :people
          account_status_column nil
          skip_status_checks? true
          account_password_hash_column :password_hash
          login_column :email
          login_param "email"
          login_route "api/sign-in"
          logout_route "api/sign-out"
          already_logged_in { nil }
          normalize_login { |login| login.to_s.downcase }
          # The same is computed whether or not there is such an account.
          account_from_login do |login|
            super(login) ||
              (people.passwords.right?(nil, param(password_param), old: people.old_hashes?) && nil)
          end
          password_match? do |given|
            hash = (account || account_from_session)[:password_hash]
            people.passwords.right?(hash, given, old: people.old_hashes?)
          end
          after_login do
            people.renew_hash(account, param(password_param))
            people.note("signed_in", account[:email])
          end
          before_logout { people.note_end(session_value) }
          login_error_flash { SignIn.say(:wrong) }
          login_notice_flash { SignIn.say(:signed_in) }
          logout_notice_flash { SignIn.say(:signed_out) }
        end
      end

      # Sessions are the desk's own rows.
      def sessions(rodauth, sessions)
        rodauth.instance_exec do
          session_id_session_key KEY.to_sym
          add_active_session do
            key = sessions.begin(session_value, agent: request.user_agent, address: request.ip)
            set_session_value(session_id_session_key, key)
          end
          remove_current_session { sessions.finish(session_value, session[session_id_session_key]) }
          remove_all_active_sessions { sessions.finish_all(session_value) }
          remove_all_active_sessions_except_for do |key|
            sessions.finish_all(session_value, but: key)
          end
        end
      end

      # The set-up answers once with a new secret, its address and picture, then wants password and
      # a first code.
      def authenticator(rodauth, people)
        rodauth.instance_exec do
          otp_auth_route "api/second-factor"
          otp_setup_route "api/second-factor/set-up"
          otp_disable_route "api/second-factor/remove"
          otp_issuer "Steady Move"
          otp_provisioning_name { account[:email] }
          two_factor_modifications_require_password? true
          otp_auth_error_flash { SignIn.say(:code_wrong) }
          otp_setup_error_flash { SignIn.say(:set_up_wrong) }
          otp_disable_error_flash { SignIn.say(:password_wrong) }
          otp_lockout_error_flash { SignIn.say(:codes_over) }
          before_otp_setup_route do
            super()
            next unless json_response[otp_setup_param]

            json_response["address"] = otp_provisioning_uri
            json_response["picture"] = "data:image/svg+xml;base64,#{[otp_qr_code].pack("m0")}"
          end
          after_otp_setup { super().then { people.note("factor_set", account[:email]) } }
          after_otp_disable { super().then { SignIn.factor_gone(self, people) } }
        end
      end

      def passkeys(rodauth, people, address)
        rodauth.instance_exec do
          webauthn_setup_route "api/passkeys/set-up"
          webauthn_auth_route "api/second-factor/passkey"
          webauthn_remove_route "api/passkeys/remove"
          webauthn_setup_js_route nil
          webauthn_auth_js_route nil
          webauthn_user_verification "preferred"
          webauthn_rp_name "Steady Move"
          webauthn_origin { address || request.base_url }
          webauthn_rp_id { URI(webauthn_origin).host }
          webauthn_key_insert_hash { |key| super(key).merge(title: param("title").strip[0, 60]) }
          SignIn.challenges(self, people.factors)
          webauthn_setup_error_flash { SignIn.say(:passkey_not_kept) }
          webauthn_auth_error_flash { SignIn.say(:passkey_wrong) }
          webauthn_remove_error_flash { SignIn.say(:password_wrong) }
          after_webauthn_setup { super().then { people.note("passkey_set", account[:email]) } }
          after_webauthn_remove { super().then { SignIn.factor_gone(self, people) } }
        end
      end

      # Each challenge that was given out is answered once, and within minutes.
      def challenges(rodauth, factors)
        rodauth.instance_exec do
          new_webauthn_credential do
            super().tap { |o| factors.give_challenge(session_value, o.challenge) }
          end
          webauthn_credential_options_for_get do
            super().tap { |o| factors.give_challenge(session_value, o.challenge) }
          end
          valid_new_webauthn_credential? do |credential|
            factors.take_challenge(session_value, param(webauthn_setup_challenge_param)) &&
              super(credential)
          end
          valid_webauthn_credential_auth? do |credential|
            factors.take_challenge(session_value, param(webauthn_auth_challenge_param)) &&
              super(credential)
          end
        end
      end

      def recovery(rodauth, people)
        rodauth.instance_exec do
          recovery_auth_route "api/second-factor/recovery"
          recovery_codes_route nil
          recovery_codes_table :recovery_codes
          auto_remove_recovery_codes? true
          recovery_code_match? { |code| people.factors.use_code(session_value, code) }
          invalid_recovery_code_error_flash { SignIn.say(:recovery_wrong) }
        end
      end

      # One factor fewer: noted, and the person's other sessions end.
      def factor_gone(rodauth, people)
        rodauth.remove_all_active_sessions_except_current
        people.note("factor_removed", rodauth.account[:email])
      end
    end
  end
end
