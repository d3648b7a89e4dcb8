# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Starts the names of running batches as their waves come due. What can't be started is held
      # back with its reason; where the trial name did not land, nothing further is started until a
      # person says so.
      class BatchRun
        # How often running batches are looked at (seconds).
        EVERY = 300

        def initialize(ports)
          @ports = Ports.of(ports)
          @batches = BatchCommands.new(@ports)
          @due_at = nil
        end

        # Is it time: something was said of a batch, a wave comes due, or the clock was set back?
        def due?
          return false unless @ports.batches.running?

          @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY ||
            @ports.batches.last_line != @heard
        end

        # When the next wave is due; nil where none is known.
        def next_look = @coming && @ports.batches.running? ? @coming : nil

        # Starts what is due of all of them. Returns how many names were started.
        def go_on
          coming = []
          started = @ports.batches.running.sum { |batch| turn(batch, coming) }
          @coming = coming.min
          @heard = @ports.batches.last_line
          @due_at = [@ports.now + EVERY, *coming].min
          started
        end

        private

        def turn(batch, coming)
          return 0 if trial_failed?(batch)

          wants = taken_up(batch, waiting(batch))
          return 0 if wants.empty?

          rows = Batch.new(@ports).propose_all(wants)
          hold_back(batch, rows.reject(&:startable))
          due, later = waves(batch, rows).partition { |w| w.starts_at <= @ports.now }
          coming.concat(later.map(&:starts_at))
          names = due.flat_map(&:names)
          wants.select { |w| names.include?(w.name) }.count { |want| start(batch, want) }
        end

        def waves(batch, rows) = BatchWaves.new(@ports).divide(batch, rows.select(&:startable))

        # What was put in since is started only once somebody has seen what it costs.
        def waiting(batch)
          members =
            @ports
              .batches
              .members(batch.id)
              .select { |m| m.waiting? && batch.accepted&.key?(m.name) }
          members.map { |m| Batch::Want.of(batch, m) }
        end

        # Those whose start was cut off belong to it; returns the others.
        def taken_up(batch, wants)
          wants.reject { |want| (id = open_already(batch, want)) && belongs(batch, want, id) }
        end

        # Ended without landing: the rest waits for a person.
        def trial_failed?(batch)
          return false unless batch.settings["trial"]

          begun = @ports.moves.find_all(@ports.batches.members(batch.id).filter_map(&:move_id))
          bad = begun.size == 1 && begun.first.state.ending && begun.first.state.ending != "settled"
          return false unless bad

          settings = batch.settings.merge("trial" => false)
          @ports.batches.update(batch.id, settings: settings)
          @batches.halt(
            batch.id,
            by: "desk",
            why: Words.phrase("batches.trial_failed", name: begun.first.name)
          )
          true
        end

        def hold_back(batch, rows)
          rows.each { |row| held(batch, row.name, row.says.join(" ")) }
        end

        def held(batch, name, says)
          @ports.batches.update_name(batch.id, name, state: "held", says: says)
          @batches.note(batch, "held_back", "desk", name: name, why: says)
        end

        def start(batch, want)
          price = batch.accepted.fetch(want.name)
          id =
            Planning::Planner.new(@ports).start(
              Batch.request(@ports, want),
              by: batch.asked_by,
              agreed: Planning::Planner::Agreed.new(batch.approved_by),
              price: price.is_a?(Array) ? Core::Money::Amount.new(*price) : price
            )
          belongs(batch, want, id)
        rescue Refused => e
          held(batch, want.name, e.message)
          false
        end

        # A client who agreed to the batch has agreed to what becomes public with it.
        def consented(batch, name, id)
          move = @ports.moves.find(id)
          step = move.plan.with_trait(:consent)
          return if step.nil? || move.state.consent

          given = Agreements.new(@ports).consent(batch, name) or return
          @ports.journal.add(
            "consent",
            at: @ports.now,
            by: "desk",
            move_id: id,
            name: name,
            step: step.id,
            says:
              Words.phrase("journal.consent", by: "desk", name: name, given_by: given[:given_by]),
            data: {
              "given_by" => given[:given_by],
              "shown" => Agreements::CONTACT,
              "from" => @ports.now,
              "until" => given[:until]
            }
          )
        end

        def belongs(batch, want, id)
          consented(batch, want.name, id)
          @ports.batches.update_name(
            batch.id,
            want.name,
            move_id: id,
            started_at: @ports.now,
            says: nil
          )
          @ports.batches.note(batch.id, @ports.moves.find(id).events.first.seq)
          true
        end

        # The move that was started just before somebody pulled the plug, or nil.
        def open_already(batch, want)
          move = @ports.moves.open_for(want.name)
          if move && move.started_at >= batch.started_at && move.to_account == want.to &&
               !move.plan.prepare?
            move.id
          end
        end
      end
    end
  end
end
