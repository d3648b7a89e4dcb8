# frozen_string_literal: true

require "json"

# A mailbox that is read is a row of its own; where a message lies there are columns, no longer part of its number.
Sequel.migration do
  up do
    create_table(:inboxes) do
      primary_key :id
      String :host # nil where the configuration file says where it is
      Integer :port
      String :login
      File :password # sealed
      String :tls
      String :folder
      String :ids # how its server calls itself in Authentication-Results, parted by blanks
      TrueClass :trusting
      TrueClass :of_file, null: false, default: false
      Integer :uidvalidity
      Integer :floor, null: false, default: 0 # all numbers up to it are read
      Integer :ended_at
      String :trial # the word of a message that tries whether its server strips what others wrote
      Integer :tried_at
      String :found # what came of it: strips, ignored or believed
    end
    run "ALTER TABLE messages RENAME COLUMN uid TO id"
    run "ALTER TABLE originals RENAME COLUMN uid TO id"
    run "ALTER TABLE message_names RENAME COLUMN uid TO message"
    alter_table(:messages) do
      add_column :mailbox, Integer
      add_column :uidvalidity, Integer
      add_column :uid, Integer
    end
    # Until now the mailbox stood in the number: 10^10 for each, and 5 * 10^9 above it what was
    # numbered anew.
    run "UPDATE messages SET mailbox = id / 10000000000 + 1, uid = id % 10000000000 " \
          "WHERE id > 0 AND id % 10000000000 < 5000000000"
    run <<~SQL
      UPDATE messages SET uidvalidity = (
        SELECT json_extract(value, '$.validity') FROM keeping
        WHERE key = 'mailbox.' || (messages.mailbox - 1)
      ) WHERE mailbox IS NOT NULL
    SQL
    place = "messages (mailbox, uidvalidity, uid)"
    run "CREATE UNIQUE INDEX messages_place ON #{place} WHERE uid IS NOT NULL"
    # A later code that differs from the one that is held is kept beside it until a person chooses.
    alter_table(:codes) { add_column :sent_by, String }
    run "CREATE INDEX codes_proposed ON codes (name) WHERE state = 'proposed'"
    from(:moves).where(stage: "Called off").update(stage: "Cancelled")
    alter_table(:people) { add_column :views, String } # how they look at lists, JSON
    # When the password was last given again within a session, and what a passkey is to sign, once.
    alter_table(:sessions) { add_column :confirmed_at, Integer }
    create_table(:passkey_challenges) do
      String :digest, primary_key: true
      foreign_key :person_id, :people, null: false, on_delete: :cascade
      Integer :expires_at, null: false
    end
    # Imports of names: what is still to be done of each row, and what it takes to undo it.
    create_table(:imports) do
      primary_key :id
      Integer :at, null: false
      String :by, null: false
      String :accounts, null: false # JSON: ids of those that were made for it
      Integer :finished_at
      Integer :undone_at
      String :undone_by
    end
    create_table(:import_rows) do
      foreign_key :import_id, :imports, null: false, on_delete: :cascade
      Integer :place, null: false
      String :name, null: false
      String :account_id, null: false
      String :notes, null: false # JSON
      String :clears, null: false # JSON
      String :fate # added or updated; null: nothing was done yet
      String :before # JSON: what was noted of a name that was held
      TrueClass :looked, null: false, default: false
      String :refused # why it went off the list again
      primary_key %i[import_id place]
    end
    # What clients were asked to agree to, batch by batch, and what they answered.
    create_table(:agreements) do
      primary_key :id
      foreign_key :batch_id, :batches, null: false, on_delete: :cascade
      String :client, null: false # empty: for all of its names
      String :token_digest, unique: true # nil once it was taken over from an export
      Integer :made_at, null: false
      String :asked_by, null: false
      String :shown, null: false # JSON: names, days, costs, what becomes public
      String :standing, null: false # digest of what the batch was then
      String :answer # yes or question
      String :answered_by
      String :says
      Integer :answered_at
      unique %i[batch_id client]
    end
    # Filters of the list of names, kept by name.
    create_table(:saved_filters) do
      primary_key :id
      foreign_key :person_id, :people, on_delete: :cascade # nil: the team's
      String :title, null: false
      String :filters, null: false
      String :by, null: false
      index %i[person_id title], unique: true
    end
    # When a name was looked at without an answer: that does not count as looked at.
    alter_table(:watches) { add_column :tried_at, Integer }
    # Which codes an account can take was a regular expression that somebody wrote; it is a length
    # and signs now (Core::Codes::Accepted). What can't be said so is let go: then nothing is known.
    whole = /\A\\A\[((?:\\.|[^\]\\])+)\]\{(\d{1,3}),(\d{1,3})\}\\z\z/
    from(:accounts)
      .select_map(%i[id habits])
      .each do |id, text|
        habits = JSON.parse(text || "{}")
        old = habits["takes_codes"] or next
        match = whole.match(old)
        signs = match && match[1].gsub(/\\([^a-zA-Z])/, '\1').gsub("\\d", "0-9")
        tokens = signs.to_s.scan(/[!-~]-[!-~]|[!-~]/)
        plain = match && !signs.include?("\\") && !signs.start_with?("^") && tokens.join == signs
        habits["takes_codes"] = plain ? ["#{match[2]}-#{match[3]}", *tokens].join(" ") : nil
        from(:accounts).where(id: id).update(habits: JSON.generate(habits.compact))
      end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
