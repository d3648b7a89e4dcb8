# frozen_string_literal: true

Sequel.migration do
  up do
    # Which names a message is about, so that a name's mail is found without reading all of it. Kept by the database
    # itself, from the list that stands in the message.
    create_table(:message_names, without_rowid: true) do
      String :name, null: false
      Integer :uid, null: false
      primary_key %i[name uid]
    end
    fill = "INSERT OR IGNORE INTO message_names SELECT json_each.value, "
    run "#{fill} messages.uid FROM messages, json_each(messages.names)"
    run "CREATE TRIGGER message_names_new AFTER INSERT ON messages BEGIN " \
        "#{fill} new.uid FROM json_each(new.names); END"
    run "CREATE TRIGGER message_names_changed AFTER UPDATE OF names ON messages BEGIN " \
        "DELETE FROM message_names WHERE uid = old.uid; #{fill} new.uid FROM json_each(new.names); END"
    run "CREATE TRIGGER message_names_gone AFTER DELETE ON messages BEGIN " \
        "DELETE FROM message_names WHERE uid = old.uid; END"
    run "CREATE INDEX message_names_uid ON message_names (uid)"
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
