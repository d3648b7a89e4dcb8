# frozen_string_literal: true

# Settings made on screen (sealed JSON), invitations, and what sign-in needs: failures and lock-outs, second factors.
Sequel.migration do
  change do
    create_table(:settings) do
      String :key, primary_key: true
      File :sealed, null: false
      Integer :changed_at, null: false
    end

    create_table(:invitations) do
      String :token_digest, primary_key: true
      String :email, null: false
      String :role, null: false
      Integer :expires_at, null: false
    end

    create_table(:account_login_failures) do
      Integer :id, primary_key: true
      Integer :number, null: false, default: 1
    end

    create_table(:account_lockouts) do
      Integer :id, primary_key: true
      String :key, null: false
      DateTime :deadline, null: false
      DateTime :email_last_sent
    end

    create_table(:account_otp_keys) do
      Integer :id, primary_key: true
      String :key, null: false
      Integer :num_failures, null: false, default: 0
      Time :last_use, null: false, default: Sequel::CURRENT_TIMESTAMP
    end
  end
end
