# frozen_string_literal: true

# Batches: names that move together, how they were wanted, and which lines of the journal are about them. How much a
# person may start alone. Status pages, notices by mail, what is left at old accounts, tokens and webhooks.
Sequel.migration do
  up do
    alter_table(:people) { add_column :spending_limit, String }

    # settings: {to, host, aims, per_day, trial, blackouts, limit}; accepted: what was shown when it was started.
    create_table(:batches) do
      primary_key :id
      String :title, null: false
      String :settings, null: false
      String :state, null: false, default: "draft"
      String :by, null: false
      Integer :made_at, null: false
      String :asked_by
      String :approved_by
      String :accepted
      Integer :started_at
      Integer :closed_at
      index %i[state id]
    end

    # own: {to, host, aims} where a name differs from its batch; state: in, held or dropped.
    create_table(:batch_names) do
      Integer :batch_id, null: false
      String :name, null: false
      String :own, null: false, default: "{}"
      String :state, null: false, default: "in"
      Integer :move_id
      Integer :started_at
      String :says
      primary_key %i[batch_id name]
      index :name
      index :move_id
    end

    create_table(:batch_lines) do
      Integer :batch_id, null: false
      Integer :seq, null: false
      primary_key %i[batch_id seq]
    end

    # Secret addresses of status pages: only digests are kept. kind: move or batch.
    create_table(:status_pages) do
      String :kind, null: false
      Integer :ref, null: false
      String :token_digest, null: false, unique: true
      Integer :made_at, null: false
      primary_key %i[kind ref]
    end

    # choice: at-once, daily or never; hour: of the day in UTC for the daily ones; told: what was told already.
    create_table(:notices) do
      Integer :person_id, primary_key: true
      String :choice, null: false
      Integer :hour, null: false, default: 7
      Integer :sent_at
      String :told, null: false, default: "[]"
    end

    # What is left at the old account, as a person settled it.
    create_table(:left_behind) do
      Integer :move_id, null: false
      String :key, null: false
      String :state, null: false
      String :reason
      String :by, null: false
      Integer :at, null: false
      primary_key %i[move_id key]
    end

    create_table(:tokens) do
      primary_key :id
      Integer :person_id, null: false
      String :title, null: false
      String :role, null: false
      String :token_digest, null: false, unique: true
      Integer :made_at, null: false
      Integer :expires_at, null: false
      Integer :used_at
      index :person_id
    end

    # secret: sealed; seq: of the last line of the journal that was told; fails: in a row; says: why the last one
    # failed.
    create_table(:webhooks) do
      primary_key :id
      String :url, null: false
      String :types, null: false
      String :secret, null: false
      String :by, null: false
      Integer :made_at, null: false
      Integer :seq, null: false
      Integer :fails, null: false, default: 0
      Integer :next_at
      String :says
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
