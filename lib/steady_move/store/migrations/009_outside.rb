# frozen_string_literal: true

# When the public record was last asked for a name by itself; documents that were fetched and are kept (RFC 9224).
Sequel.migration do
  up do
    create_table(:watches) do
      String :name, primary_key: true
      Integer :looked_at, null: false, index: true
    end
    create_table(:kept_documents) do
      String :key, primary_key: true
      String :text, null: false
      Integer :fetched_at, null: false
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
