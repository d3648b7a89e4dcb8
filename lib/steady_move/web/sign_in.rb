# frozen_string_literal: true

require "roda"
require "rodauth"

module SteadyMove
  module Web
    # Signing in and out at /api/sign-in and /api/sign-out, as middleware in front of the API.
    module SignIn
      # Returns a Rack middleware class for this desk.
      def self.middleware(db, secret)
        Class.new(Roda) do
          plugin :middleware
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only, csrf: false do
            enable :json, :login, :logout, :lockout
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
    end
  end
end
