# frozen_string_literal: true

# Letters that went out, mailboxes that were proven, and what a person corrected in the post.
Sequel.migration do
  up do
    # state: intended (about to go out), sent, answered; how: smtp or hand; steps: [[move id, step]]; word: sealed,
    # for proofs.
    create_table(:letters) do
      primary_key :id
      String :account_id
      %i[recipient subject text kinds names steps message_id reference state how by].each { |c| String c, null: false }
      File :word
      Integer :at, null: false
      Integer :due_at
      Integer :answered_at
      Integer :reminds
    end

    # Addresses of contacts: asked, proven, bounced.
    create_table(:mailboxes) do
      String :address, primary_key: true
      String :state, null: false
      Integer :at, null: false
    end

    # How a message of one sender that reads as one kind is to be taken.
    create_table(:corrections) do
      String :sender, null: false
      String :read_kind, null: false
      String :kind, null: false
      String :by, null: false
      Integer :at, null: false
      primary_key %i[sender read_kind]
    end

    alter_table(:messages) do
      add_column :answers, String # Message-ID of what it answers
      add_column :letter_id, Integer
      add_column :read_kind, String # as it was understood before anybody corrected it
      add_column :corrected_by, String
      add_column :sealed_code, File # of a doubtful message, until somebody lifts the doubt
    end

    %w[INSERT UPDATE].each do |verb|
      run "CREATE TRIGGER mailboxes_#{verb.downcase}_stamps AFTER #{verb} ON mailboxes BEGIN UPDATE stamps SET " \
          "count = count + 1 WHERE key = 'places'; END"
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
