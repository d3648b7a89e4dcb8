# frozen_string_literal: true

# Transfers that nobody here ordered are kept one by one, each to its end: what silences one says nothing of the next.
Sequel.migration do
  up do
    # Octets of a message, so that another with the same Message-ID is not taken for it.
    alter_table(:messages) { add_column :digest, String }
    # Whose turn it is has one answer more: what is open is worked out anew.
    from(:moves).where(open: true).update(scheduled_seq: 0)
    rename_table(:strays, :strays_before)
    create_table(:strays) do
      primary_key :id
      String :name, null: false
      String :account_id
      String :source, null: false
      String :because, null: false
      String :requested_by
      Integer :requested_at
      Integer :seen_at, null: false
      Integer :deadline
      TrueClass :assumed, null: false, default: false # is the deadline reckoned, not told?
      TrueClass :shown, null: false, default: false # did the registry or the public record show it?
      String :state, null: false # open, expected, unsafe or over
      String :how # it ended: refused, withdrawn, gone, replaced
      Integer :ended_at
      Integer :expected_at
      String :expected_by # who said that it is expected
      String :ordered_by # whom that person named as the one who ordered it
      Integer :refused_at # a person says that it was refused, or the desk had it refused
      String :refused_by
      Integer :lock_seen_at
      Integer :code_new_at
      String :code_new_by
      String :told, null: false, default: "[]" # which of its warnings went out
      index %i[name state]
    end
    from(:strays_before).each do |row|
      from(:strays).insert(**row.slice(:name, :account_id, :source, :because, :requested_by, :seen_at, :deadline),
        shown: row[:source] != "mail", state: row[:settled] ? "over" : "open", ended_at: row[:settled_at])
    end
    drop_table(:strays_before)
    # A name's sheet shows them, so the name is another with each change.
    %w[INSERT UPDATE].each do |verb|
      run "CREATE TRIGGER strays_#{verb.downcase}_revises AFTER #{verb} ON strays BEGIN " \
          "UPDATE stamps SET count = count + 1 WHERE key = 'names'; UPDATE names SET revision = " \
          "(SELECT count FROM stamps WHERE key = 'names') WHERE name = NEW.name; END"
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
