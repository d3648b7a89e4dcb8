# frozen_string_literal: true

require "json"

# Due work is asked for: moves know how far their journal is scheduled, steps when they are due. Lines keep the key
# and values of their sentence. Stored plans name their old DNS host by id. Names are read anew one by one, not all of
# them.
Sequel.migration do
  up do
    alter_table(:events) { add_column :words, String }
    alter_table(:moves) do
      add_column :last_seq, Integer, null: false, default: 0
      add_column :scheduled_seq, Integer, null: false, default: 0
      %i[ending stage turn].each { |c| add_column c, String }
      add_column :by_hand, TrueClass, null: false, default: false
    end
    alter_table(:looks) { add_column :set_at, Integer, null: false, default: 0 }
    run "UPDATE moves SET last_seq = coalesce((SELECT max(seq) FROM events WHERE move_id = moves.id), 0)"
    run "UPDATE moves SET ending = (SELECT type FROM events WHERE move_id = moves.id AND type IN ('settled', " \
        "'called-off', 'refused') " \
        "ORDER BY seq LIMIT 1)"
    run "DELETE FROM looks WHERE move_id NOT IN (SELECT id FROM moves WHERE open = 1)"
    # What waited for a while under the version before is looked at once.
    run "UPDATE looks SET held_by = NULL, held_until = NULL"

    create_table(:kept_zones) do
      Integer :move_id, primary_key: true
      String :text, null: false
      Integer :seen_at, null: false
    end
    run "INSERT INTO kept_zones SELECT move_id, text, seen_at FROM zones WHERE side = 'old'"
    drop_table(:zones)

    { "moves_last" => "moves(scheduled_seq) WHERE scheduled_seq < last_seq", "moves_of_name" => "moves(name, id)",
      "moves_ended_as" => "moves(ending, name)", "moves_by_turn" => "moves(open, turn, id)",
      "looks_due" => "looks(due_at)",
      "looks_set" => "looks(set_at)", "looks_held" => "looks(held_until) WHERE held_until IS NOT NULL",
      "moves_from" => "moves(from_account, id)", "moves_to" => "moves(to_account, id)",
      "messages_kind" => "messages(kind, coalesce(at, 0), uid)",
      "messages_of_move" => "messages(move_id, at)", "messages_newest" => "messages(coalesce(at, 0), uid)",
      "messages_id" => "messages(message_id)",
      "letters_to" => "letters(recipient, id)", "letters_lower" => "letters(lower(recipient), id)",
      "letters_open" => "letters(id) WHERE state <> 'answered'",
      "letters_id" => "letters(message_id)", "letters_reference" => "letters(reference)",
      "codes_of_name" => "codes(name) WHERE state <> 'wiped'", "codes_of_move" => "codes(move_id)",
      "events_of_name" => "events(name, seq)", "events_of_type" => "events(type, seq)" }.each do |name,
        on| run "CREATE INDEX #{name} ON #{on}"
    end

    run "CREATE TRIGGER events_insert_moves AFTER INSERT ON events WHEN NEW.move_id IS NOT NULL BEGIN " \
        "UPDATE moves SET last_seq = NEW.seq WHERE id = NEW.move_id; END"
    run "CREATE TRIGGER events_insert_ends AFTER INSERT ON events WHEN NEW.move_id IS NOT NULL AND " \
        "NEW.type IN ('settled', 'called-off', 'refused', 'resumed') BEGIN " \
        "UPDATE moves SET ending = CASE WHEN NEW.type = 'resumed' THEN NULL ELSE coalesce(ending, NEW.type) END " \
        "WHERE id = NEW.move_id; END"

    # Titles of DNS hosts that stored plans kept → their ids.
    hosts = self[:dns_hosts].select_hash(:title, :id)
    self[:moves].select_map(%i[id plan]).each do |id, text|
      plan = JSON.parse(text)
      plan["old_host"] = hosts[plan.dig("words", "old_host")]
      self[:moves].where(id: id).update(plan: JSON.generate(plan))
    end

    # Whose mailbox counts for which name.
    create_table(:addresses) do
      %i[name address].each { |c| String c, null: false }
      primary_key %i[name address]
      index :address
    end
    run "INSERT OR IGNORE INTO addresses SELECT name, lower(json_extract(facts, '$.registrant_email')) FROM " \
        "sightings " \
        "WHERE json_type(facts, '$.registrant_email') = 'text'"
    run "INSERT OR IGNORE INTO addresses SELECT name, lower(json_extract(facts, '$.admin_email')) FROM sightings " \
        "WHERE json_type(facts, '$.admin_email') = 'text'"

    # Names that were let go, so that whoever keeps names in memory lets them go as well.
    create_table(:gone) do
      primary_key :id
      String :name, null: false
      Integer :revision, null: false
      index :revision
    end
    self[:stamps].insert(key: "names", count: self[:names].max(:revision) || 0)
    self[:stamps].insert(key: "messages", count: self[:messages].count)
    { "INSERT" => "+", "DELETE" => "-" }.each do |verb, sign|
      run "CREATE TRIGGER messages_#{verb.downcase}_counts AFTER #{verb} ON messages BEGIN " \
          "UPDATE stamps SET count = count #{sign} 1 WHERE key = 'messages'; END"
    end
    bump = lambda do |names|
      "UPDATE stamps SET count = count + 1 WHERE key = 'names'; " \
        "UPDATE names SET revision = (SELECT count FROM stamps WHERE key = 'names') WHERE name #{names};"
    end
    olds = { sightings: %w[insert update delete], moves: %w[insert update], codes: %w[insert update],
             events: %w[insert], names: %w[insert update] }
    olds.each { |table, verbs| verbs.each { |v| run "DROP TRIGGER #{table}_#{v}_revises" } }
    { sightings: %w[INSERT UPDATE], moves: %w[INSERT], codes: %w[INSERT UPDATE],
      events: %w[INSERT] }.each do |table, verbs|
      verbs.each do |v|
        run "CREATE TRIGGER #{table}_#{v.downcase}_revises AFTER #{v} ON #{table} WHEN NEW.name IS NOT NULL BEGIN " \
            "#{bump.call('= NEW.name')} END"
      end
    end
    run "CREATE TRIGGER moves_update_revises AFTER UPDATE OF open, stage ON moves BEGIN #{bump.call('= NEW.name')} END"
    run "CREATE TRIGGER sightings_delete_revises AFTER DELETE ON sightings BEGIN #{bump.call('= OLD.name')} END"
    run "CREATE TRIGGER names_insert_revises AFTER INSERT ON names BEGIN #{bump.call('= NEW.name')} END"
    run "CREATE TRIGGER names_update_revises AFTER UPDATE OF account_id ON names BEGIN #{bump.call('= NEW.name')} END"
    run "DROP TRIGGER names_delete_stamps"
    run "CREATE TRIGGER names_delete_goes AFTER DELETE ON names BEGIN UPDATE stamps SET count = count + 1 WHERE key " \
        "= 'names'; " \
        "INSERT INTO gone (name, revision) VALUES (OLD.name, (SELECT count FROM stamps WHERE key = 'names')); END"
    %w[insert update].each do |v|
      run "DROP TRIGGER mailboxes_#{v}_stamps"
      run "CREATE TRIGGER mailboxes_#{v}_revises AFTER #{v.upcase} ON mailboxes BEGIN " \
          "#{bump.call('IN (SELECT name FROM addresses WHERE address = NEW.address)')} END"
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
