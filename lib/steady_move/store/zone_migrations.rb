# frozen_string_literal: true

module SteadyMove
  module Store
    # What is known and decided of names' records: copies of zones, where they shall go, decisions
    # for each set, tied services, and what name servers answered.
    class ZoneMigrations
      # source: file, table, transfer, walk, probe or typed; complete: true, false or nil; says: a
      # Phrase; left: [[line, why]] of what was not taken.
      Copy =
        Struct.new(
          :id,
          :name,
          :side,
          :source,
          :text,
          :sets,
          :complete,
          :says,
          :left,
          :seen_at,
          :by,
          keyword_init: true
        ) do
          # The Zone, read.
          def zone = Core::Records::ZoneReader.read(text, origin: name)
        end
      Carry = Struct.new(:name, :host_id, :choice, :lowered, :by, :at, keyword_init: true)
      Tied = Struct.new(:name, :key, :kind, :detail, :state, :reason, :by, :at, keyword_init: true)
      Seen =
        Struct.new(
          :id,
          :name,
          :server,
          :role,
          :state,
          :serial,
          :detail,
          :since,
          :seen_at,
          keyword_init: true
        )
      # So many copies of one name are kept.
      COPIES = 6
      # So long a server's history is kept (seconds).
      HISTORY = 400 * 86_400

      def initialize(db)
        @db = db
      end

      # Keeps a zone as it was got. Returns the Copy.
      def keep_copy(name, zone, source:, complete:, says:, left:, by:, at:, side: "old")
        @db.transaction do
          text = Core::Records::ZoneWriter.write(zone)
          id =
            @db[:zone_copies].insert(
              name: name,
              side: side,
              source: source,
              text: text,
              sets: zone.content.size,
              complete: complete.nil? ? nil : (complete ? 1 : 0),
              says: Values.dump(says),
              left: Values.dump(left.first(200)),
              seen_at: at.to_i,
              by: by
            )
          kept = side == "old" ? COPIES : 1
          old =
            @db[:zone_copies]
              .where(name: name, side: side)
              .reverse(:id)
              .offset(kept)
              .select_map(:id)
          @db[:zone_copies].where(id: old).delete
          copy(@db[:zone_copies].where(id: id).first)
        end
      end

      # Copies of a name, the newest first, without their texts.
      def copies(name)
        columns = @db[:zone_copies].columns - [:text]
        @db[:zone_copies]
          .where(name: name, side: "old")
          .reverse(:id)
          .select(*columns)
          .map { |r| copy(r) }
      end

      # The newest copy, or the one with an id; nil where there is none.
      def copy_of(name, id: nil, side: "old")
        rows = @db[:zone_copies].where(name: name, side: side)
        row = (id ? rows.where(id: id) : rows.reverse(:id)).first and copy(row)
      end

      # Where a name's records shall go: a Carry, or nil where nobody said.
      def carry(name)
        row = @db[:carries].where(name: name).first
        row && Carry.new(**row, at: Values.time(row[:at])).freeze
      end

      # {name => id of the DNS host that was chosen for its records}.
      def chosen_hosts = @db[:carries].exclude(host_id: nil).select_hash(:name, :host_id)

      # Names of which somebody got a copy, or for which something was chosen; a copy that the desk
      # took for a move alone makes no work.
      def names_in_work
        (
          @db[:zone_copies].exclude(by: "desk").distinct.select_map(:name) |
            @db[:carries].select_map(:name)
        )
      end

      # change: host_id, choice, lowered.
      def put(name, by:, at:, **change)
        row = { name: name, by: by, at: at.to_i }.merge(change)
        @db[:carries].insert_conflict(target: :name, update: row.except(:name)).insert(row)
      end

      # {"owner TYPE" => Decision}
      def decisions(name)
        @db[:carry_rows]
          .where(name: name)
          .to_h do |r|
            [
              r[:set],
              Core::Records::CarrySheet::Decision.new(
                **r.slice(:choice, :text, :ttl, :reason, :by),
                at: Values.time(r[:at])
              ).freeze
            ]
          end
      end

      # nil takes the decision back.
      def decide(name, set, decision)
        rows = @db[:carry_rows]
        return rows.where(name: name, set: set).delete unless decision

        rows.insert_conflict(:replace).insert(
          name: name,
          set: set,
          **decision.to_h,
          at: decision.at.to_i
        )
      end

      def tied(name)
        @db[:tied_services]
          .where(name: name)
          .order(:key)
          .map { |r| Tied.new(**r, at: Values.time(r[:at])).freeze }
      end

      def put_tied(tied)
        @db[:tied_services].insert_conflict(:replace).insert(tied.to_h.merge(at: tied.at.to_i))
      end

      # What a server answered now; alike to before, the stretch only grows.
      def saw(name, server, role, state:, serial:, detail:, at:)
        rows = @db[:server_answers].where(name: name, server: server, role: role)
        last = rows.reverse(:id).first
        if last && last.values_at(:state, :serial) == [state, serial]
          rows.where(id: last[:id]).update(seen_at: at.to_i, detail: Values.dump(detail))
        else
          @db[:server_answers].insert(
            name: name,
            server: server,
            role: role,
            state: state,
            serial: serial,
            detail: Values.dump(detail),
            since: at.to_i,
            seen_at: at.to_i
          )
        end
      end

      # [Seen] of a name, oldest first.
      def answers(name)
        @db[:server_answers]
          .where(name: name)
          .order(:id)
          .map do |r|
            Seen.new(
              **r,
              detail: Values.load(r[:detail]),
              since: Values.time(r[:since]),
              seen_at: Values.time(r[:seen_at])
            ).freeze
          end
      end

      # When a name's servers were last asked; nil where they never were.
      def asked_at(name) = Values.time(@db[:server_answers].where(name: name).max(:seen_at))

      def forget_before(time) = @db[:server_answers].where { seen_at < time.to_i }.delete

      private

      def copy(row)
        complete = row[:complete].nil? ? nil : row[:complete] == 1
        Copy.new(
          **row,
          complete: complete,
          says: Values.load(row[:says]),
          left: Values.load(row[:left]),
          seen_at: Values.time(row[:seen_at])
        ).freeze
      end
    end
  end
end
