# frozen_string_literal: true

Sequel.migration do
  up do
    # What the desk remembers of itself over restarts: which version wrote it, how far the journal was checked, when
    # each connection last answered, which alerts were sent.
    create_table(:keeping) do
      String :key, primary_key: true
      String :value, null: false
    end

    # bodiless: only the head was fetched; the body comes when a person asks for it.
    alter_table(:messages) do
      add_column :bodiless, TrueClass, null: false, default: false
    end

    # Moves are listed by whether they are over, newest first.
    run "CREATE INDEX moves_open_id ON moves (open, id)"
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
