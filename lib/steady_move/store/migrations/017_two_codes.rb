# frozen_string_literal: true

# A later code that differs from the one that is held is kept beside it until a person chooses: who
# sent it.
Sequel.migration do
  up { alter_table(:codes) { add_column :sent_by, String } }
  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
