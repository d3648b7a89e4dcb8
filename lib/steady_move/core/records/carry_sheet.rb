# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Old and new zone side by side, with what a person decided for each set, and the zone that is
      # wanted at the new host.
      class CarrySheet
        # What can be decided: carried as it is, what the new host has is kept, written otherwise,
        # left out.
        CHOICES = %w[carry keep edit leave].freeze

        # decision: what a person said. choice: of CHOICES; text: lines of data for “edit”; ttl:
        # seconds or nil; reason.
        Decision = Struct.new(:choice, :text, :ttl, :reason, :by, :at, keyword_init: true)
        # kind: of Comparison's, against what is wanted; old, new, wanted: RecordSet or nil; says:
        # [Phrase] of what the new host can't hold; needs: must a person decide?
        Row =
          Struct.new(
            :kind,
            :name,
            :type,
            :old,
            :new,
            :wanted,
            :breaks,
            :decision,
            :says,
            :needs,
            :rank,
            keyword_init: true
          ) do
            # Is it at the new host as it is wanted?
            def there? = wanted.nil? ? new.nil? : !new.nil? && wanted.same_data?(new)
            def id = "#{name.to_s.downcase(:ascii)} #{type}"
          end

        # old, new: Zone, new nil where it is not known; decisions: {"owner. TYPE" => Decision};
        # limits: HostLimits; lowered: TTLs are at most this (seconds), nil where they stay.
        def initialize(old, new, decisions: {}, limits: HostLimits.new, lowered: nil)
          @old = old
          @new = new
          @decisions = decisions
          @limits = limits
          @lowered = lowered
        end

        # [Row]: what a person has to decide, then what would break first.
        def rows
          @rows ||=
            Comparison
              .compare(@old, @new || Zone.new(@old.origin, []))
              .map { |r| row(r) }
              .partition(&:needs)
              .flatten
        end

        # The zone that shall be at the new host.
        def wanted
          Zone.new(@old.origin, rows.filter_map(&:wanted).flat_map(&:to_a))
        end

        # What the new host can't hold of the whole: [Phrase].
        def cautions = [@limits.too_many(rows.count(&:wanted))].compact

        # How many rows of each kind, and how many a person has to decide.
        def counts
          rows
            .map { |r| r.kind.to_s }
            .tally
            .merge("undecided" => rows.count(&:needs), "open" => rows.count { |r| !r.there? })
        end

        # Reads the lines of an edited set. Returns [Rdata]; raises ZoneError with line and column.
        def self.read(type, text, origin:)
          zone =
            ZoneReader.read(
              text
                .each_line
                .map { |l| "@ 60 IN #{type} #{l.strip}\n" unless l.strip.empty? }
                .compact
                .join,
              origin: origin.to_s
            )
          zone[origin, type]&.rdatas or raise ZoneError.new(1, "no #{type} data stand here")
        end

        private

        def row(found)
          decision = @decisions["#{found.name.to_s.downcase(:ascii)} #{found.type}"]
          wanted = wanted_of(found, decision)
          says = wanted ? @limits.refuse(wanted) : []
          Row.new(
            kind: kind(found),
            name: found.name,
            type: found.type,
            old: found.old,
            new: found.new,
            wanted: wanted,
            breaks: found.breaks,
            decision: decision,
            rank: found.rank,
            needs: decision.nil? && (says.any? || unsure?(found) == true),
            says: [*says, wanted && @limits.ttl_changed(wanted)].compact
          ).freeze
        end

        # Without a new zone nothing is known to be missing there.
        def kind(found) = @new ? found.kind : :unknown

        # What the new host has otherwise, or besides, may be meant so: nobody but a person can
        # tell.
        def unsure?(found) = @new && %i[different extra].include?(found.kind)

        def wanted_of(found, decision)
          case decision&.choice
          when "leave"
            nil
          when "keep"
            found.new
          when "edit"
            edited(found, decision)
          else
            found.old ? lowered(found.old) : found.new
          end
        end

        def edited(found, decision)
          rdatas = self.class.read(found.type, decision.text, origin: @old.origin)
          set = found.old || found.new
          RecordSet.new(
            name: set.name,
            type: set.type,
            ttl: decision.ttl || set.ttl,
            rdatas: rdatas
          )
        end

        def lowered(set)
          return set unless @lowered && set.ttl > @lowered

          RecordSet.new(name: set.name, type: set.type, ttl: @lowered, rdatas: set.rdatas)
        end
      end
    end
  end
end
