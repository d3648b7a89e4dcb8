# frozen_string_literal: true

# Batches: names that move together, how they were wanted, and which lines of the journal are about them. How much a
# person may start alone.
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
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
