# frozen_string_literal: true

# Instants are whole seconds since 1970 (UTC); lists and maps are JSON text.
Sequel.migration do
  up do
    create_table(:people) do
      primary_key :id
      String :email, null: false, unique: true
      String :password_hash, null: false
      String :role, null: false, default: "viewer"
      Integer :created_at, null: false
    end

    # Registrar accounts. kind: epp or by_hand; secret: sealed.
    create_table(:accounts) do
      String :id, primary_key: true
      %i[title registrar kind].each { |c| String c, null: false }
      %i[connection habits prices sender_domains].each { |c| String c, null: false, default: "{}" }
      File :secret
    end

    # DNS hosts. ends_with: the account with which its zones end.
    create_table(:dns_hosts) do
      String :id, primary_key: true
      String :title, null: false
      String :name_servers, null: false
      String :key_name
      File :secret
      String :ends_with
    end

    create_table(:names) do
      String :name, primary_key: true
      String :unicode, null: false
      String :account_id, null: false
      Integer :taken_at, null: false
    end

    create_table(:facts) do
      String :name, null: false
      String :key, null: false
      String :source, null: false
      String :value, null: false
      Integer :seen_at, null: false
      String :ref
      primary_key %i[name key source]
    end

    create_table(:moves) do
      primary_key :id
      String :name, null: false
      %i[from_account to_account].each { |c| String c, null: false }
      String :plan, null: false
      Integer :started_at, null: false
      TrueClass :open, null: false, default: true
      index %i[open]
    end
    # One open move per name: an order can't be placed twice.
    run "CREATE UNIQUE INDEX one_open_move ON moves(name) WHERE open = 1"

    create_table(:events) do
      primary_key :seq
      Integer :move_id
      String :name
      Integer :at, null: false
      String :type, null: false
      String :step
      String :says, null: false
      %i[evidence data].each { |c| String c, null: false, default: "{}" }
      String :by, null: false
      String :chain, null: false
      index %i[move_id seq]
    end
    %w[UPDATE DELETE].each do |verb|
      run "CREATE TRIGGER events_no_#{verb.downcase} BEFORE #{verb} ON events BEGIN SELECT RAISE(ABORT, 'the " \
          "journal is only added to'); END"
    end

    # When each step is looked at next, and who holds it just now.
    create_table(:looks) do
      Integer :move_id, null: false
      String :step, null: false
      Integer :due_at, null: false
      Integer :attempts, null: false, default: 0
      String :held_by
      Integer :held_until
      primary_key %i[move_id step]
    end

    create_table(:codes) do
      primary_key :id
      Integer :move_id, null: false
      String :name, null: false
      File :sealed
      String :state, null: false
      Integer :received_at, null: false
    end

    create_table(:zones) do
      Integer :move_id, null: false
      String :side, null: false
      String :text, null: false
      Integer :seen_at, null: false
      primary_key %i[move_id side]
    end

    create_table(:messages) do
      Integer :uid, primary_key: true
      %i[message_id sender recipient subject text kind names because].each { |c| String c }
      Integer :at
      Integer :deadline
      Integer :move_id
      TrueClass :doubtful, default: false
    end
  end

  down do
    %i[messages zones codes looks events moves facts names dns_hosts accounts people].each { |t| drop_table(t) }
  end
end
