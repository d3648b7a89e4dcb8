# frozen_string_literal: true

module SteadyMove
  module Store
    # Names held, and what each source says of them; of a key that a source speaks of again, the newest is kept.
    class Names
      Fact = Core::Readiness::Fact
      # Sources whose every look tells all that they know: what is no longer said is no longer known.
      WHOLE = %i[account public_record desk].freeze

      def initialize(db)
        @db = db
      end

      # Takes a DomainName in, or moves it to another account.
      def put(name, account_id, at:)
        @db[:names].insert_conflict(target: :name, update: { account_id: account_id })
                   .insert(name: name.ascii, unicode: name.unicode, account_id: account_id, taken_at: at.to_i)
      end

      def all = @db[:names].order(:name).all
      def find(name) = @db[:names].where(name: name).first
      def any? = !@db[:names].empty?

      # Lets a name go; its journal stays.
      def drop(name)
        @db.transaction do
          %i[sightings serving].each { |t| @db[t].where(name: name).delete }
          @db[:names].where(name: name).delete
        end
      end

      # facts: [Fact] about one name.
      def learn(name, facts)
        @db.transaction do
          facts.group_by(&:source).each do |source, list|
            said = list.to_h { |f| [f.key, [Values.encode(f.value), f.seen_at.to_i, f.ref]] }
            said = said_before(name, source).merge(said.transform_keys(&:to_s)) unless WHOLE.include?(source)
            @db[:sightings].insert_conflict(target: %i[name source], update: { facts: Sequel[:excluded][:facts] })
                           .insert(name: name, source: source.to_s, facts: JSON.generate(said))
          end
          servers = facts.find { |f| f.key == :name_servers } and note_servers(name, servers.value)
        end
      end

      # Forgets what one source said, all of it or one key: e.g. an account that no longer holds the name.
      def forget(name, source, key = nil)
        rows = @db[:sightings].where(name: name, source: source.to_s)
        key ? rows.update(facts: JSON.generate(said_before(name, source).except(key.to_s))) : rows.delete
      end

      # Facts about one name.
      def facts(name) = Core::Readiness::Facts.new(@db[:sightings].where(name: name).flat_map { |r| facts_in(r) })

      # Yields each row with its facts: [Fact], of all names, of those revised after a number, or of those under a suffix.
      def each_with_facts(after: 0, under: nil)
        names = @db[:names].where { revision > after }
        names = names.where(Sequel[:names][:name].like("%.#{@db[:names].escape_like(under)}")) if under
        rows = names.left_join(:sightings, name: :name)
                          .select(Sequel[:names].*, :source, :facts).order(Sequel[:names][:name])
        rows.chunk_while { |a, b| a[:name] == b[:name] }.each do |same|
          yield same.first, same.flat_map { |r| r[:source] ? facts_in(r) : [] }
        end
      end

      # {name => [its name servers that other names use]}; of one name where it is given.
      def hosts_for_others(name = nil)
        rows = @db[:serving].exclude(name: :owner)
        rows = rows.where(owner: name) if name
        rows.distinct.select(:owner, :server).order(:server).all.group_by { |r| r[:owner] }.transform_values { |rs| rs.map { |r| r[:server] } }
      end

      # {name => the DNS host whose zone of it ends with its account}; of one name where it is given.
      def zones_that_end(name = nil)
        rows = @db[:sightings].where(source: "desk")
        rows = rows.where(name: name) if name
        host = Sequel.function(:json_extract, :facts, "$.zone_ends_with_account[0]")
        rows.where(Sequel.function(:json_type, :facts, "$.zone_ends_with_account[0]") => "text").select_hash(:name, host.as(:host))
      end

      # [latest revision, how often places changed]: what has to be read anew.
      def marks = [@db[:names].max(:revision) || 0, @db[:stamps].where(key: "places").get(:count)]

      private

      # Which servers the name uses, and the name of the list that each lies under.
      def note_servers(name, servers)
        @db[:serving].where(name: name).delete
        rows = servers.filter_map { |s| (owner = owner_of(s)) && { name: name, server: s, owner: owner } }
        @db[:serving].insert_conflict.multi_insert(rows) if rows.any?
      end

      def owner_of(server)
        Core::Names::DomainName.parse(server).ascii
      rescue Core::Names::DomainName::Invalid
        nil
      end

      def said_before(name, source)
        text = @db[:sightings].where(name: name, source: source.to_s).get(:facts)
        text ? JSON.parse(text) : {}
      end

      def facts_in(row)
        source = row[:source].to_sym
        JSON.parse(row[:facts], max_nesting: 40).map do |key, (value, at, ref)|
          Fact.new(key: key.to_sym, value: Values.decode(value), source: source, seen_at: Values.time(at), ref: ref).freeze
        end
      end
    end
  end
end
