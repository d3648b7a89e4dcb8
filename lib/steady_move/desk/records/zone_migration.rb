# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # A name's records between its present host and the one where they shall go: the sheet with
      # both sides, what a person decided, and the zone that is wanted at the new host.
      class ZoneMigration
        Records = Core::Records
        Decision = Records::CarrySheet::Decision
        # More sets than this are shown by pages; the sheet itself has all.
        LONGEST_REASON = 500

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Is a move under way that leaves the records where they are?
        def left_alone?(name)
          plan = @ports.moves.open_for(name)&.plan
          !plan.nil? && plan.new_host.nil?
        end

        # Where the records of a name shall go: of its move, else as it was said; nil where nobody
        # said.
        def new_host(name)
          id =
            @ports.moves.open_for(name)&.plan&.new_host ||
              @ports.zone_migrations.carry(name)&.host_id
          id && @ports.accounts.host_of(id)
        end

        # host: DNS host id or nil; choice: of Records::CarryChoices::IDS or nil; lowered: seconds
        # or nil. Raises Refused.
        def choose(name, by:, **change)
          @ports.names.find(name) or raise Refused.new(:unknown, :not_held, name: name)
          id = change[:host_id]
          host =
            id && (@ports.accounts.host_of(id) || raise(Refused.new(:unknown, :no_host, id: id)))
          unless change[:choice].nil? || Records::CarryChoices::IDS.include?(change[:choice])
            raise Refused.new(:invalid, :no_such_choice, given: change[:choice])
          end

          @ports.zone_migrations.put(name, by: by, at: @ports.now, **change)
          @ports.journal.add(
            "carry_chosen",
            at: @ports.now,
            name: name,
            by: by,
            says:
              Words.phrase(
                "journal.carry_chosen",
                name: name,
                by: by,
                host: host&.title || "–",
                choice:
                  change[:choice] ? Words.say(:"records.choices.#{change[:choice]}.title") : "–"
              )
          )
        end

        # The sheet: old from the newest copy, new as the new host answered when it was last asked.
        # Returns Records::CarrySheet, or nil where no copy of the present zone is held.
        def sheet(name, copy: @ports.zone_migrations.copy_of(name))
          return unless copy

          host = new_host(name)
          new = host && @ports.zone_migrations.copy_of(name, side: "new")
          of_zones(name, copy.zone, new&.source == host&.id ? new&.zone : nil, host)
        end

        # Asks the new host for every set and keeps what it answers. Raises Refused and Wire errors.
        def ask_new(name, by:)
          host = new_host(name)
          copy = @ports.zone_migrations.copy_of(name)
          return unless host && copy && host.name_servers.any?

          zone = answered(host, name, copy.zone)
          @ports.zone_migrations.keep_copy(
            name,
            zone,
            side: "new",
            source: host.id,
            complete: nil,
            left: [],
            by: by,
            at: @ports.now,
            says: Words.phrase("records.asked", host: host.title)
          )
        end

        # Puts what is wanted on the new host over its connection, and asks it again. An update that
        # was sent twice gives the same zone. Raises Refused and Wire errors.
        def fill(name, by:)
          sheet = sheet(name) or raise Refused.new(:not_now, :no_zone_copy, name: name)
          host = new_host(name) or raise Refused.new(:not_now, :no_new_host, name: name)
          raise Refused.new(:not_now, :host_by_hand, host: host.title) unless host.connected?

          wanted = sheet.wanted.content
          note_fill("fill_sending", name, host, wanted.size, by)
          @ports.dns.update(
            host.name_servers.first,
            name,
            key: Common::Zones.key(host),
            add: wanted.flat_map(&:to_a),
            remove:
              wanted.map(&:id) |
                sheet.rows.select { |r| r.wanted.nil? }.map { |r| [r.name, r.type] }
          )
          note_fill("filled", name, host, wanted.size, by)
          ask_new(name, by: by)
        end

        # The zone that shall be at the new host, from the old one.
        def wanted(name, old, host, lowered: @ports.zone_migrations.carry(name)&.lowered)
          of_zones(name, old, nil, host, lowered: lowered).wanted
        end

        # Refuses sets that the name's sheet does not hold.
        def refuse_unknown(name, sets)
          held = sheet(name)&.rows.to_a.to_set(&:id)
          strange = sets.find { |set| !held.include?(set) }
          raise Refused.new(:unknown, :no_such_set, set: strange, name: name) if strange
        end

        # A decision for one set. given: {choice, text, ttl, reason}; choice nil takes it back.
        # Raises Refused.
        def decide(name, set, given, by:)
          choice = given["choice"]
          return @ports.zone_migrations.decide(name, set, nil) if choice.nil?

          origin = Records::Name.parse(name)
          type = set.split.last.to_s
          check(choice, given, type, origin)
          @ports.zone_migrations.decide(
            name,
            set,
            Decision.new(
              choice: choice,
              text: given["text"],
              ttl: given["ttl"],
              reason: given["reason"],
              by: by,
              at: @ports.now
            )
          )
          @ports.journal.add(
            "carry_decided",
            at: @ports.now,
            name: name,
            by: by,
            says:
              Words.phrase(
                "journal.carry_#{choice}",
                name: name,
                set: set,
                by: by,
                reason: given["reason"].to_s
              )
          )
        rescue Records::ZoneError => e
          raise Refused.new(
                  :invalid,
                  :zone_unreadable,
                  line: e.line,
                  column: e.column || 1,
                  reason: e.reason
                )
        end

        # What the new host can't hold.
        def limits(host) = Records::HostLimits.of(host ? host.habits : {})

        private

        def note_fill(key, name, host, sets, by)
          @ports.journal.add(
            "carry_decided",
            at: @ports.now,
            name: name,
            by: by,
            says:
              Words.phrase(
                "journal.#{key}",
                name: name,
                host: host.title,
                sets: Words.sets(sets),
                by: by
              )
          )
        end

        def of_zones(name, old, new, host, lowered: @ports.zone_migrations.carry(name)&.lowered)
          Records::CarrySheet.new(
            old,
            new,
            decisions: @ports.zone_migrations.decisions(name),
            limits: limits(host),
            lowered: lowered
          )
        end

        def check(choice, given, type, origin)
          unless Records::CarrySheet::CHOICES.include?(choice)
            raise Refused.new(:invalid, :no_such_decision, known: Records::CarrySheet::CHOICES)
          end
          if choice == "leave" && given["reason"].to_s.strip.empty?
            raise Refused.new(:invalid, :leave_reason)
          end

          Records::CarrySheet.read(type, given["text"].to_s, origin: origin) if choice == "edit"
        end

        # What the new host's first server that answers says: the whole zone where it hands it over,
        # else each set by asking.
        def answered(host, name, old)
          server = host.name_servers.first
          return asked_for(server, old) unless Common::Zones.key(host)

          @ports.dns.transfer(server, name, key: Common::Zones.key(host))
        rescue Wire::Refused
          asked_for(server, old)
        end

        def asked_for(server, old)
          found =
            old
              .content
              .group_by(&:name)
              .flat_map do |name, sets|
                (sets.map(&:type) | %w[A AAAA CNAME MX TXT]).flat_map do |type|
                  told(server, name, type)
                end
              end
          Records::Zone.new(old.origin, found.uniq)
        end

        def told(server, name, type)
          answer = @ports.dns.query(server, name.to_s, type)
          unless %w[NOERROR NXDOMAIN REFUSED].include?(answer.rcode)
            raise Wire::Refused.new(answer.rcode, "#{server}: #{answer.rcode}")
          end

          answer.answer.select { |r| r.type == type && r.name == name } +
            (type == "NS" ? answer.authority.select { |r| r.type == "NS" && r.name == name } : [])
        end
      end
    end
  end
end
