# frozen_string_literal: true

require "roda"
require "rodauth"

module SteadyMove
  module Web
    # Signing in and out, and the second factor (TOTP, RFC 6238): a small Rack application of Rodauth that the API
    # hands those of its operations to which the contract marks with x-sign-in.
    module SignIn
      module_function

      # The application for this desk. note: called with a key of the journal's words and the e-mail when a second
      # factor is set up or removed.
      def application(db, secret, note:)
        Class.new(Roda) do
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only, csrf: false do
            enable :json, :login, :logout, :lockout, :otp
            db db
            hmac_secret secret
            domain "localhost"
            only_json? true
            SignIn.people(self)
            SignIn.lock_out(self)
            SignIn.second_factor(self, note)
          end

          route(&:rodauth)
        end.freeze.app
      end

      # Who is signed in in this session: a person's id, or nil.
      def person_id(session) = session["account_id"] || session[:account_id]
      # Was the second factor's code given in this session?
      def second_factor_given?(session) = Array(session["authenticated_by"]).include?("totp")
      def say(key) = Words.say("web.sign_in.#{key}")

      def people(rodauth)
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
          no_matching_login_message { SignIn.say(:wrong) }
          invalid_password_message { SignIn.say(:wrong) }
          login_error_flash { SignIn.say(:wrong) }
          login_notice_flash { SignIn.say(:signed_in) }
          logout_notice_flash { SignIn.say(:signed_out) }
        end
      end

      def lock_out(rodauth)
        rodauth.instance_exec do
          max_invalid_logins 5
          set_deadline_values? true
          account_lockouts_deadline_interval(minutes: 15)
          login_lockout_error_flash { SignIn.say(:closed) }
          unlock_account_route nil
          unlock_account_request_route nil
          send_unlock_account_email { nil }
        end
      end

      # The set-up answers once with a new secret, its address and picture, then wants password and a first code.
      def second_factor(rodauth, note)
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
            json_response["picture"] = "data:image/svg+xml;base64,#{[otp_qr_code].pack('m0')}"
          end
          after_otp_setup { note.call("factor_set", account[:email]) }
          after_otp_disable { note.call("factor_removed", account[:email]) }
        end
      end
    end
  end
end
