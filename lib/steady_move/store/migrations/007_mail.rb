# frozen_string_literal: true

# What is known of a message's sender, its links, and what follows from it once a person counts it. Codes that the
# version before left readable in kept texts are put out of sight.
Sequel.migration do
  up do
    alter_table(:messages) do
      add_column :trust, String, null: false, default: "unproven"
      add_column :links, String
      add_column :facts, String
      add_column :server, String # the identifier that its topmost Authentication-Results bears
    end
    create_table(:polled) do
      String :account_id
      String :message
      Integer :at, null: false
      primary_key %i[account_id message]
    end
    create_table(:strays) do # transfers of held names that nobody here ordered
      String :name, primary_key: true
      String :account_id
      String :source, null: false
      String :because, null: false
      String :requested_by
      Integer :seen_at, null: false
      Integer :deadline
      String :settled # why it concerns nobody any more: who said so, or what the record shows
      Integer :settled_at
    end
    run "UPDATE messages SET trust = CASE WHEN doubtful THEN 'doubtful' ELSE 'proven' END"
    post = SteadyMove::Core::Post
    from(:messages).select(:uid, :subject, :text).all.each do |row|
      found = post::Codes.find("#{row[:subject]}\n\n#{row[:text]}", [])
      masked = %i[subject text].to_h do |key|
        [key, post::Masking.mask(row[key].to_s, found.candidates, speaks: found.speaks)]
      end
      from(:messages).where(uid: row[:uid]).update(masked) unless masked == row.slice(:subject, :text)
    end
  end

  down do
    drop_table(:polled, :strays)
    alter_table(:messages) { %i[trust links facts server].each { |c| drop_column c } }
  end
end
