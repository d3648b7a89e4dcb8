# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Every name in short with the outline of its judgement, without a destination; follows the
      # database by revision: only what changed is read and judged anew, unless the rulebook or what
      # judging takes from the accounts did.
      class PortfolioIndex
        # expires, seen, latest_safe: seconds; servers: shared lists; move:
        # Store::Moves::Underway or nil;
        # towards: the values that rules about a destination ask for; signed_known: is it known
        # whether it is signed? privacy, auto_renew: on, off, or nil where nobody knows; client: for
        # whom it is held, or nil.
        Entry =
          Struct.new(
            :ascii,
            :unicode,
            :suffix,
            :account_id,
            :expires,
            :locked,
            :servers,
            :dns_host,
            :seen,
            :outline,
            :latest_safe,
            :move,
            :contradicting,
            :towards,
            :signed_known,
            :privacy,
            :auto_renew,
            :client
          )

        attr_reader :done, :of

        # kept: KeptOutlines, from an earlier run.
        def initialize(ports, kept = nil)
          @ports = Ports.of(ports)
          @kept = kept
          @entries = IndexEntries.new
          @shared = {}
          @snapshots = Snapshots.new(Gates.new(@ports))
          @done = @of = 0
          @lock = Mutex.new
        end

        def version = @entries.version
        def list = @entries.list
        def changes_since(version) = @entries.changes_since(version)

        # Up to date within `patience` seconds? A first reading goes on behind.
        def ready?(patience)
          return refresh && true if @marks

          @reading = Thread.new { refresh } unless @reading&.alive?
          !@reading.join(patience).nil?
        end

        # at: seconds.
        def snapshot(at) = @snapshots.take(list, version, at)

        # Keeps all for the next start, unless it is kept already.
        def keep
          @lock.synchronize do
            next if @marks.nil? || @kept_marks == @marks

            @kept&.write(list, @marks, @basis)
            @kept_marks = @marks
          end
        end

        def inspect = "#<PortfolioIndex>"

        private

        def refresh
          @lock.synchronize do
            marks = @ports.names.marks
            next true if marks == @marks

            context = context(marks)
            @marks.nil? ? begin_with(context, marks) : follow(context, marks)
            @marks = marks
            @basis = context[:basis]
            true
          end
        end

        # What judging rests on besides the facts.
        def context(marks)
          same_places = @marks && marks.last == @marks.last
          return { basis: @basis, rulebook: @rulebook } if same_places

          @rulebook = @ports.rulebook
          {
            basis: [DerivedFacts.new(@ports).basis, @ports.overrides.active.map(&:to_h)].inspect,
            rulebook: @rulebook
          }
        end

        # The first reading: from what was kept, and what changed since; else of all.
        def begin_with(context, marks)
          entries, kept_marks = @kept&.read(context[:basis])
          return whole(context, marks) unless entries

          @entries.replace(entries)
          @kept_marks = kept_marks
          follow_names(context, kept_marks.first, marks.first)
        end

        def follow(context, marks)
          return whole(context, marks) unless context[:basis] == @basis

          @snapshots.forget_orders unless marks.last == @marks.last # titles and prices are sorted by
          follow_names(context, @marks.first, marks.first)
        end

        def whole(context, marks)
          @of = @ports.names.count
          @done = 0
          with =
            context.merge(own: DerivedFacts.new(@ports, many: true), moves: @ports.moves.stages)
          entries = []
          @ports.names.each_with_said do |row, said, seen|
            entries << entry(row, said, seen, with) if row[:revision] <= marks.first
            @done += 1
          end
          @entries.replace(entries)
          @snapshots.clear
        end

        # Reads the names that were revised after one number and up to another, and lets those go
        # that are gone.
        def follow_names(context, after, upto)
          changes =
            @ports
              .names
              .gone(after, upto)
              .filter_map { |name| @entries[name] && [@entries[name], nil] }
          revised = []
          @ports
            .names
            .each_with_said(after: after) { |*row| revised << row if row.first[:revision] <= upto }
          unless revised.empty?
            names = revised.map { |row, *| row[:name] }
            few = revised.size < 100
            with =
              context.merge(
                own: DerivedFacts.new(@ports, many: !few),
                moves: @ports.moves.stages(few ? names : nil)
              )
            changes +=
              revised.map { |row, said, seen| [@entries[row[:name]], entry(row, said, seen, with)] }
          end
          version = @entries.change(changes)
          @snapshots.advance(list, version, changes)
        end

        def entry(row, said, seen, context)
          name = Core::Names::DomainName.held(row[:name])
          merged, contradicting = Core::Readiness::Facts.merged(said)
          facts = context[:own].add(row, merged)
          outline = Core::Readiness::Judge.outline(context[:rulebook], name, facts)
          Entry.new(
            name.ascii,
            name.unicode,
            share(name.suffix),
            share(row[:account_id]),
            facts[:expires_at]&.to_i,
            locked(facts),
            share(facts[:name_servers] || []),
            share(facts[:dns_host]),
            seen,
            outline,
            latest_start(context[:rulebook].family_of(name), facts),
            context[:moves][row[:name]],
            contradicting,
            towards(facts),
            !facts[:signed].nil?,
            switch(facts[:privacy]),
            switch(facts[:auto_renew]),
            share(facts[:client])
          ).freeze
        end

        def latest_start(family, facts)
          if family && facts.known?(:expires_at) && facts[:expires_at]
            family.latest_start(facts[:expires_at].to_i)
          end
        end

        def locked(facts) = facts.lock.to_value

        # What a source says of it may be more than on or off, such as who runs it.
        def switch(value) = value.nil? ? nil : value != false

        def towards(facts)
          values = facts.values.slice(*Core::Readiness::Rules.towards_facts)
          values[:created_at] &&= true
          values.key?(:transferred_at) ? values.freeze : share(values)
        end

        # One object for equal values.
        def share(value) = value && (@shared[value] ||= value.freeze)
      end
    end
  end
end
