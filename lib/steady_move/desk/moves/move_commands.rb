# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What a person says about a move under way: approve the release, look now, call it off, leave
      # a thing as it is, or have it mended.
      class MoveCommands
        # Seconds of real time between two looks that a person may ask for.
        FAIR = 10

        def initialize(ports, monotonic: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
          @ports = Ports.of(ports)
          @monotonic = monotonic
          @asked = {}
        end

        # Records the approval; the runner sends it to the losing registrar. Raises Refused.
        def approve(id, by:, **)
          move = going(id)
          release = move.state.with_trait(:approval)
          refuse(:nothing_to_approve, stage: move.state.stage) if release.nil? || release.done?
          refuse(:nobody_approves, from: words(move)[:from]) if release.step.by_time?
          refuse(:approved_already) if move.state.approved?
          return wish(move, by) if release.phase == "ahead" || release.early?

          refuse(:approve_by_hand, from: words(move)[:from]) if release.step.by_hand?

          say(move, "approved", by, step: release.step.id)
        end

        # Before a release is asked for nothing can be approved: the wish is kept, and offered as
        # soon as it can be done.
        def wish(move, by) = move.state.wished? || say(move, "wished", by)
        private :wish

        # The wish is taken back, as long as nothing was approved. Raises Refused.
        def unwish(id, by:, **)
          move = going(id)
          refuse(:nothing_wished) if !move.state.wished? || move.state.approved?

          say(move, "unwished", by)
        end

        ENDS = %w[refused lapsed cancelled].freeze

        # A person says how a transfer ended that is no longer pending, or never was; the name is
        # made safe again, and what shows rules over what is said. Raises Refused.
        def over(id, by:, how:)
          move = going(id)
          refuse(:landed_already, name: move.name) if move.state.landed?
          refuse(:end_shows) unless move.plan.options.include?(:outside)
          unless ENDS.include?(how)
            raise Refused.new(:invalid, :no_such_end, given: how, known: ENDS)
          end

          says = Words.phrase("journal.how_#{how}", by: by, **words(move))
          @ports.journal.add(
            "refused",
            at: @ports.now,
            says: says,
            by: by,
            move_id: move.id,
            name: move.name,
            data: {
              "how" => how
            }
          )
        end

        # The registrar that the record names after a move is the gaining one, under another name:
        # kept with its account. Raises Refused.
        def same_registrar(id, by:, **)
          move = going(id)
          landing = move.state.with_trait(:lands)&.event
          shown = landing&.data.to_h["registrar"] or refuse(:no_other_registrar)
          account = @ports.accounts.find(move.to_account)
          names = [*account.habits["registrar_names"], shown].uniq
          @ports.accounts.keep_habits(account, "registrar_names" => names)
          @ports.journal.add(
            "places",
            at: @ports.now,
            by: by,
            says:
              Words.phrase("journal.registrar_named", by: by, title: account.title, shown: shown)
          )
          @ports.schedule.wake(id, @ports.now)
        end

        # Makes every waiting step of the move due. Raises Refused when asked too often.
        def look_now(id, **)
          move = unfinished(id)
          last = @asked[id]
          refuse(:looked_just_now, seconds: FAIR) if last && @monotonic.call - last < FAIR

          @asked[id] = @monotonic.call
          @ports.schedule.wake(move.id, @ports.now)
        end

        # Ends the move before it lands; the runner makes the name safe again. Raises Refused.
        def call_off(id, by:, **)
          move = going(id)
          refuse(:landed_already, name: move.name) if move.state.landed?

          say(move, "called-off", by)
        end

        # Leaves a step that can't be met as it is, or accepts what differs in it; says why. Raises
        # Refused.
        def accept(id, by:, step:, reason:)
          move = unfinished(id)
          state = move.state[step]
          unless state&.active? && state.step.trait?(:waivable)
            refuse(:nothing_to_accept, step: state ? title(move, state) : step)
          end
          raise Refused.new(:invalid, :reason_missing) if reason.to_s.strip.empty?

          differences = move.state.last_of(step)&.data&.fetch("differences", nil)
          data = {
            "reason" => reason.strip,
            **(differences ? { "differences" => differences } : { "whole" => true })
          }
          @ports.db.transaction do
            say(
              move,
              "accepted",
              by,
              step: step,
              what: title(move, state),
              reason: reason.strip,
              data: data
            )
            say(move, "settled", by) if data["whole"] && state.step.trait?(:settles)
          end
        end

        # Has what differs after landing put right over the connection, where there is one. Raises
        # Refused.
        def mend(id, by:, **)
          move = going(id)
          state = move.state.with_trait(:settles)
          refuse(:nothing_to_mend) unless state&.active? && state.phase == "stuck"

          say(move, "mend", by, step: state.step.id)
        end

        private

        def refuse(key, **values) = raise(Refused.new(:not_now, key, **values))
        def words(move) = Common::MoveWords.values(move.plan, @ports.accounts)
        def title(move, state) = Words.phrase("steps.#{state.step.id}.title", **words(move))

        def find(id) = @ports.moves.find(id) || raise(Refused.new(:unknown, :no_move, id: id))

        def unfinished(id)
          find(id).tap do |move|
            refuse(:ended, name: move.name, stage: move.state.stage) unless move.open
          end
        end

        # One that has not ended, in whichever way.
        def going(id)
          unfinished(id).tap do |move|
            refuse(:ended, name: move.name, stage: move.state.stage) if move.state.ending
          end
        end

        def say(move, type, by, step: nil, data: {}, **values)
          says = Words.phrase("journal.#{type}", by: by, **words(move), **values)
          @ports.journal.add(
            type,
            at: @ports.now,
            says: says,
            by: by,
            move_id: move.id,
            name: move.name,
            step: step,
            data: data
          )
        end
      end
    end
  end
end
