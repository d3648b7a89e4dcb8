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
    alter_table(:messages) { %i[trust links facts server].each { |c| drop_column c } }
  end
end
