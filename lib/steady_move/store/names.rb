# frozen_string_literal: true

module SteadyMove
  module Store
    # Names held, and what each source says of them; of a key that a source speaks of again, the
    # newest is kept.
    class Names
      Fact = Core::Readiness::Fact
      # Sources whose every look tells all that they know: what is no longer said is no longer
      # known.
      WHOLE = %i[account public_record desk].freeze
      TELLING = %w[account public_record].freeze
      ADDRESSES = %i[registrant_email admin_email].freeze

      def initialize(db)
        @db = db
      end

      # Takes a DomainName in, or moves it to another account.
      def put(name, account_id, at:)
        @db[:names].insert_conflict(target: :name, update: { account_id: account_id }).insert(
          name: name.ascii,
          unicode: name.unicode,
          account_id: account_id,
          taken_at: at.to_i
        )
      end

      def all = @db[:names].order(:name).all

      # Every name that is held, as a Set.
      def all_names = @db[:names].select_map(:name).to_set

      # {name => the client that was noted of it}.
      def clients
        client = Sequel.function(:json_extract, :facts, "$.client")
        @db[:sightings]
          .where(source: "hand")
          .exclude(client => nil)
          .select_hash(:name, client.as(:c))
      end

      # One name for each of what stands behind their first label.
      def one_of_each_suffix
        behind = Sequel.lit("substr(name, instr(name, '.') + 1)")
        @db[:names].select { [min(name).as(name), min(unicode).as(unicode)] }.group(behind).all
      end

      def find(name) = @db[:names].where(name: name).first

      # Names of which no outside source has said anything, oldest first.
      def unseen(most)
        told = @db[:sightings].where(source: TELLING).select(:name)
        @db[:names].exclude(name: told).order(:taken_at, :name).limit(most).all
      end

      # What one source last said of a name: {key => value}; empty where it never did.
      def told(name, source)
        text = @db[:sightings].where(name: name, source: source.to_s).get(:facts)
        text ? values_in(text) : {}
      end

      # Names that expire within so many seconds (or did so lately), or whose status says that
      # something is under way.
      def stirring(now, near:)
        expires = Sequel.lit("json_extract(facts, '$.expires_at.at')")
        pending = Sequel.lit("json_extract(facts, '$.statuses')").like("%pending%", "%Period%")
        @db[:sightings]
          .where(source: TELLING)
          .where(Sequel.|(pending, expires => (now - near).to_i..(now + near).to_i))
          .distinct
          .select_map(:name)
      end

      def any? = !@db[:names].empty?
      def count = @db[:names].count
      def count_at(account_id) = @db[:names].where(account_id: account_id).count

      # How many names use one of these name servers, by any source.
      def count_served_by(servers)
        uses =
          Sequel.lit(
            "EXISTS (SELECT 1 FROM json_each(facts, '$.name_servers') WHERE value IN ?)",
            servers
          )
        @db[:sightings]
          .where(name: @db[:names].select(:name))
          .where(uses)
          .distinct
          .select(:name)
          .count
      end

      # The names that use one of these name servers, by any source.
      def served_by(servers)
        uses =
          Sequel.lit(
            "EXISTS (SELECT 1 FROM json_each(facts, '$.name_servers') WHERE value IN ?)",
            servers
          )
        @db[:sightings]
          .where(name: @db[:names].select(:name))
          .where(uses)
          .distinct
          .select_order_map(:name)
      end

      # Lets a name go; its journal stays.
      def drop(name)
        @db.transaction do
          %i[sightings serving addresses].each { |t| @db[t].where(name: name).delete }
          @db[:names].where(name: name).delete
        end
      end

      # facts: [Fact] about one name.
      def learn(name, facts)
        @db.transaction do
          facts
            .group_by(&:source)
            .each { |source, list| put_sighting(name, source, *said(name, source, list)) }
          servers = facts.find { |f| f.key == :name_servers } and note_servers(name, servers.value)
          addresses =
            facts
              .select { |f| ADDRESSES.include?(f.key) }
              .map { |f| f.value.to_s.downcase }
              .reject(&:empty?)
          note_addresses(name, addresses) if addresses.any?
        end
      end

      # Forgets what one source said, all of it or one key: e.g. an account that no longer holds the
      # name.
      def forget(name, source, key = nil)
        return @db[:sightings].where(name: name, source: source.to_s).delete unless key

        values, seen = said_before(name, source).map { |h| h.except(key.to_s) }
        put_sighting(name, source, values, seen)
      end

      # Facts about one name.
      def facts(name)
        Core::Readiness::Facts.new(@db[:sightings].where(name: name).flat_map { |r| facts_in(r) })
      end

      # Yields each row with what its sources say of it, {source => {key => value}}, and when the
      # older of account and public record was looked at (seconds):
      # of all names, of those revised after a number, or of those under a suffix.
      def each_with_said(after: 0, under: nil)
        names = @db[:names].where { revision > after }
        names =
          names.where(Sequel[:names][:name].like("%.#{@db[:names].escape_like(under)}")) if under
        rows =
          names
            .left_join(:sightings, name: :name)
            .select(Sequel[:names].*, :source, :facts, :seen_at)
            .order(Sequel[:names][:name])
        rows
          .chunk_while { |a, b| a[:name] == b[:name] }
          .each do |same|
            oldest = nil
            said =
              same.each_with_object({}) do |row, all|
                next unless row[:source]

                all[row[:source].to_sym] = values_in(row[:facts])
                oldest = row[:seen_at] if TELLING.include?(row[:source]) &&
                  (oldest.nil? || row[:seen_at] < oldest)
              end
            yield same.first, said, oldest
          end
      end

      # {name => [its name servers that other names use]}; of one name where it is given.
      def hosts_for_others(name = nil)
        rows = @db[:serving].exclude(name: :owner)
        rows = rows.where(owner: name) if name
        rows
          .distinct
          .order(:server)
          .select_map(%i[owner server])
          .group_by(&:first)
          .transform_values { |rs| rs.map(&:last) }
      end

      # {name => the DNS host whose zone of it ends with its account}; of one name where it is
      # given.
      def zones_that_end(name = nil)
        rows = @db[:sightings].where(source: "desk")
        rows = rows.where(name: name) if name
        host = Sequel.function(:json_extract, :facts, "$.zone_ends_with_account")
        rows.where(
          Sequel.function(:json_type, :facts, "$.zone_ends_with_account") => "text"
        ).select_hash(:name, host.as(:host))
      end

      # [[name, address of the registrant as the public record shows it]] of an account's first
      # names.
      def shown_addresses(account, most:)
        email = Sequel.function(:json_extract, :facts, "$.public_email")
        mine = @db[:names].where(account_id: account).select(:name).order(:name).limit(most)
        rows = @db[:sightings].where(source: "public_record", name: mine)
        rows.exclude(email => nil).select_map([:name, email.as(:email)])
      end

      # How many names of an account have this contact, in whichever role.
      def with_contact(id, account:)
        of = ->(role) { Sequel.function(:json_extract, :facts, "$.#{role}_contact.id") }
        mine = @db[:names].where(account_id: account).select(:name)
        @db[:sightings]
          .where(source: "account", name: mine)
          .where(Sequel.|({ of["registrant"] => id }, { of["admin"] => id }))
          .count
      end

      # [latest revision of names, how often places changed]: what has to be read anew.
      def marks
        counts = @db[:stamps].where(key: %w[names places]).select_hash(:key, :count)
        [counts.fetch("names", 0), counts.fetch("places")]
      end

      # Names that were let go after one revision and up to another.
      def gone(after, upto) = @db[:gone].where(revision: (after + 1)..upto).select_map(:name)

      private

      # Which servers the name uses, and the name of the list that each lies under.
      def note_servers(name, servers)
        @db[:serving].where(name: name).delete
        rows =
          servers.filter_map do |s|
            (owner = owner_of(s)) && { name: name, server: s, owner: owner }
          end
        @db[:serving].insert_conflict.multi_insert(rows) if rows.any?
      end

      # Whose mailboxes count for the name; what another source said of them stays.
      def note_addresses(name, addresses)
        @db[:addresses].insert_conflict.multi_insert(
          addresses.uniq.map { |a| { name: name, address: a } }
        )
      end

      def owner_of(server)
        Core::Names::DomainName.parse(server).ascii
      rescue Core::Names::DomainName::Invalid
        nil
      end

      # What a source says now and has said, where it tells not all at every look: [{key => value},
      # {key => [at, ref]}].
      def said(name, source, list)
        values = list.to_h { |f| [f.key.to_s, Values.encode(f.value)] }
        seen = list.to_h { |f| [f.key.to_s, [f.seen_at.to_i, f.ref]] }
        return values, seen if WHOLE.include?(source)

        said_before(name, source).zip([values, seen]).map { |before, now| before.merge(now) }
      end

      def said_before(name, source)
        row = @db[:sightings].where(name: name, source: source.to_s).first
        row ? [row[:facts], row[:seen]].map { |t| JSON.parse(t) } : [{}, {}]
      end

      def put_sighting(name, source, values, seen)
        row = {
          facts: JSON.generate(values),
          seen: JSON.generate(seen),
          seen_at: seen.values.map(&:first).min || 0
        }
        @db[:sightings].insert_conflict(target: %i[name source], update: row).insert(
          name: name,
          source: source.to_s,
          **row
        )
      end

      # {key => value} of one sighting's text.
      def values_in(text)
        JSON
          .parse(text, max_nesting: 40)
          .to_h { |key, value| [key.to_sym, value.is_a?(Hash) ? Values.decode(value) : value] }
      end

      def facts_in(row)
        source = row[:source].to_sym
        seen = JSON.parse(row[:seen])
        values_in(row[:facts]).map do |key, value|
          at, ref = seen[key.to_s]
          Fact.new(
            key: key,
            value: value,
            source: source,
            seen_at: Values.time(at),
            ref: ref
          ).freeze
        end
      end
    end
  end
end
