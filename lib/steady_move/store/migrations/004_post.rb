# frozen_string_literal: true

# The link that a message asks to be followed.
Sequel.migration do
  change { add_column :messages, :link, String }
end
