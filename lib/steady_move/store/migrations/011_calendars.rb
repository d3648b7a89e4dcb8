# frozen_string_literal: true

# Secret addresses of people's calendar feeds: only digests are kept.
Sequel.migration do
  up do
    create_table(:calendars) do
      Integer :person_id, primary_key: true
      String :token_digest, null: false, unique: true
      Integer :made_at, null: false
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
