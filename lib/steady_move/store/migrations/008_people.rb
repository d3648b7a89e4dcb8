# frozen_string_literal: true

# Sessions, passkeys and recovery codes of people; one invitation for an address; words that let a person choose a
# new password. What counted wrong passwords for an account goes: now whoever tries is slowed, not the account.
# Secrets that outlive a change of the key; messages as they came; a row to try writing with.
Sequel.migration do
  up do
    create_table(:sessions) do
      primary_key :id
      foreign_key :person_id, :people, null: false, on_delete: :cascade, index: true
      String :digest, null: false, unique: true
      Integer :began_at, null: false
      Integer :seen_at, null: false
      String :agent, null: false
      String :address, null: false
    end

    create_table(:account_webauthn_user_ids) do
      foreign_key :id, :people, primary_key: true, on_delete: :cascade
      String :webauthn_id, null: false
    end

    create_table(:account_webauthn_keys) do
      foreign_key :account_id, :people, null: false, on_delete: :cascade
      String :webauthn_id, null: false
      String :public_key, null: false
      Integer :sign_count, null: false
      Time :last_use, null: false, default: Sequel::CURRENT_TIMESTAMP
      String :title, null: false, default: ""
      primary_key %i[account_id webauthn_id]
    end

    create_table(:recovery_codes) do
      foreign_key :id, :people, null: false, on_delete: :cascade
      String :code, null: false # its digest
      primary_key %i[id code]
    end

    create_table(:password_words) do
      foreign_key :person_id, :people, primary_key: true, on_delete: :cascade
      String :token_digest, null: false, unique: true
      Integer :expires_at, null: false
    end

    create_table(:secrets) do
      String :purpose, primary_key: true
      File :sealed, null: false
    end

    # Messages as they came, whole and sealed.
    create_table(:originals) do
      foreign_key :uid, :messages, primary_key: true, on_delete: :cascade
      File :sealed, null: false
    end

    create_table(:pulse) { Integer :beat, null: false }
    from(:pulse).insert(beat: 0)

    newest = from(:invitations).group(:email).select_map { max(:rowid) }
    from(:invitations).exclude(Sequel[:rowid] => newest).delete
    from(:invitations).where(email: from(:people).select(:email)).delete
    run "CREATE UNIQUE INDEX one_invitation ON invitations(email)"
    drop_table(:account_login_failures, :account_lockouts)
  end

  down do
    run "DROP INDEX one_invitation"
    drop_table(:pulse, :originals, :secrets, :sessions, :account_webauthn_keys, :account_webauthn_user_ids,
      :recovery_codes, :password_words)
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
  end
end
