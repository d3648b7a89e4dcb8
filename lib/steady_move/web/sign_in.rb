# frozen_string_literal: true

require "roda"
require "rodauth"

module SteadyMove
  module Web
    # Signing in and out, and the second factor (TOTP, RFC 6238), as middleware in front of the API.
    module SignIn
      # Returns a Rack middleware class for this desk. note: called with a sentence and the e-mail when a second factor is set up or removed.
      def self.middleware(db, secret, note:)
        Class.new(Roda) do
          plugin :middleware
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only, csrf: false do
            enable :json, :login, :logout, :lockout, :otp
            db db
            hmac_secret secret
            domain "localhost"
            accounts_table :people
            max_invalid_logins 5
            set_deadline_values? true
            account_lockouts_deadline_interval(minutes: 15)
            login_lockout_error_flash "Too many wrong passwords; sign-in is closed for this person for 15 minutes."
            unlock_account_route nil
            unlock_account_request_route nil
            send_unlock_account_email { nil }
            account_status_column nil
            skip_status_checks? true
            account_password_hash_column :password_hash
            login_column :email
            login_route "api/sign-in"
            logout_route "api/sign-out"
            SignIn.second_factor(self, note)
            login_param "email"
            only_json? true
            already_logged_in { nil }
            no_matching_login_message "E-mail or password is wrong."
            invalid_password_message "E-mail or password is wrong."
            login_error_flash "E-mail or password is wrong."
            login_notice_flash "Signed in."
            logout_notice_flash "Signed out."
          end

          route(&:rodauth)
        end
      end

      # The set-up answers once with a new secret, its address and picture, then wants password and a first code.
      def self.second_factor(rodauth, note)
        rodauth.instance_exec do
          otp_auth_route "api/second-factor"
          otp_setup_route "api/second-factor/set-up"
          otp_disable_route "api/second-factor/remove"
          otp_issuer "Steady Move"
          otp_provisioning_name { account[:email] }
          two_factor_modifications_require_password? true
          otp_auth_error_flash "The code is wrong or used already."
          otp_setup_error_flash "The password or the code is wrong."
          otp_disable_error_flash "The password is wrong."
          otp_lockout_error_flash "Too many wrong codes; ask an administrator to remove the second factor."
          before_otp_setup_route do
            super()
            next unless json_response[otp_setup_param]

            json_response["address"] = otp_provisioning_uri
            json_response["picture"] = "data:image/svg+xml;base64,#{[otp_qr_code].pack('m0')}"
          end
          after_otp_setup { note.call("#{account[:email]} set up a second factor.", account[:email]) }
          after_otp_disable { note.call("#{account[:email]} removed the second factor.", account[:email]) }
        end
      end

      # Was the second factor's code given in this session?
      def self.second_factor_given?(session) = Array(session["authenticated_by"]).include?("totp")
    end
  end
end
