# frozen_string_literal: true

# Facts by name and source in one row: {key: value}, and {key: [seen at, ref]} beside it; a revision of each name, so
# that whoever keeps names in memory reads only what changed; a site's own words on the rulebook.
Sequel.migration do
  up do
    create_table(:sightings) do
      String :name, null: false
      String :source, null: false
      String :facts, null: false
      String :seen, null: false
      Integer :seen_at, null: false
      primary_key %i[name source]
    end
    run "INSERT INTO sightings SELECT name, source, json_group_object(key, json(value)), json_group_object(key, " \
        "json_array(seen_at, ref)), " \
        "min(seen_at) FROM facts GROUP BY name, source"
    drop_table(:facts)

    alter_table(:names) do
      add_column :revision, Integer, null: false, default: 1
      add_index :revision # rubocop:disable Sequel/ConcurrentIndex -- SQLite knows none
    end

    # Name servers in use, and the registrable name that each lies under.
    create_table(:serving) do
      %i[name server owner].each { |c| String c, null: false }
      primary_key %i[name server]
      index :owner
    end

    create_table(:overrides) do
      primary_key :id
      %i[suffix key value source date by].each { |c| String c, null: false }
      Integer :at, null: false
      Integer :taken_back_at
    end

    # How often accounts, DNS hosts or overrides changed: then everything is judged anew.
    create_table(:stamps) do
      String :key, primary_key: true
      Integer :count, null: false
    end
    self[:stamps].insert(key: "places", count: 0)

    # The code safe keeps codes by name; a move need not have begun.
    alter_table(:codes) { set_column_allow_null :move_id }

    bump = "UPDATE names SET revision = (SELECT max(revision) + 1 FROM names) WHERE name = NEW.name"
    { sightings: %w[INSERT UPDATE], moves: %w[INSERT UPDATE], codes: %w[INSERT UPDATE],
      events: %w[INSERT] }.each do |table, verbs|
      verbs.each do |v|
        run "CREATE TRIGGER #{table}_#{v.downcase}_revises AFTER #{v} ON #{table} WHEN NEW.name IS NOT NULL BEGIN " \
            "#{bump}; END"
      end
    end
    run "CREATE TRIGGER sightings_delete_revises AFTER DELETE ON sightings BEGIN #{bump.sub('NEW', 'OLD')}; END"
    run "CREATE TRIGGER names_insert_revises AFTER INSERT ON names BEGIN #{bump}; END"
    run "CREATE TRIGGER names_update_revises AFTER UPDATE OF account_id ON names BEGIN #{bump}; END"
    run "CREATE TRIGGER names_delete_stamps AFTER DELETE ON names BEGIN UPDATE stamps SET count = count + 1 WHERE " \
        "key = 'places'; END"
    %w[accounts dns_hosts overrides].product(%w[INSERT UPDATE DELETE]).each do |table, verb|
      run "CREATE TRIGGER #{table}_#{verb.downcase}_stamps AFTER #{verb} ON #{table} BEGIN UPDATE stamps SET count " \
          "= count + 1 WHERE key = 'places'; END"
    end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
