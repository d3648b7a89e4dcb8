# frozen_string_literal: true

# What is known of a name's records: copies of its present zone, where they shall go, what was decided for each set,
# services tied to the old account, and what name servers answered over time. Habits of DNS hosts.
Sequel.migration do
  up do
    alter_table(:dns_hosts) { add_column :habits, String, null: false, default: "{}" }

    # complete: 1, 0, or nothing where it is not known; says: the statement of how complete it is, as JSON.
    create_table(:zone_copies) do
      primary_key :id
      String :name, null: false
      # old: the present zone; new: as the new host answered it.
      String :side, null: false, default: "old"
      String :source, null: false
      String :text, null: false
      Integer :sets, null: false
      Integer :complete
      String :says, null: false
      String :left, null: false, default: "[]"
      Integer :seen_at, null: false
      String :by, null: false
      index %i[name side id]
    end

    create_table(:carries) do
      String :name, primary_key: true
      String :host_id
      String :choice
      Integer :lowered
      String :by, null: false
      Integer :at, null: false
    end

    create_table(:carry_rows) do
      String :name, null: false
      String :set, null: false
      String :choice, null: false
      String :text
      Integer :ttl
      String :reason
      String :by, null: false
      Integer :at, null: false
      primary_key %i[name set]
    end

    create_table(:tied_services) do
      String :name, null: false
      String :key, null: false
      String :kind, null: false
      String :detail, null: false
      String :state, null: false
      String :reason
      String :by, null: false
      Integer :at, null: false
      primary_key %i[name key]
    end

    # A row for each stretch of time in which a server answered alike.
    create_table(:server_answers) do
      primary_key :id
      String :name, null: false
      String :server, null: false
      String :role, null: false
      String :state, null: false
      Integer :serial
      String :detail, null: false
      Integer :since, null: false
      Integer :seen_at, null: false
      index %i[name server role id]
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
