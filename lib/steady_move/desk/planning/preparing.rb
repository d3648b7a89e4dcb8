# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Makes a name ready that has no destination yet, or that leaves to somebody else: lock off,
      # code, contacts readable. It is watched until it lands, goes on as a move, or is made safe
      # again by a date that is set.
      class Preparing
        PARTS = Core::Moves::Plan::MADE_READY
        MOST = 90 * 86_400

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # parts: of PARTS; ends: Time by which it is made safe again; leaves_to: who takes the name,
        # in words, or nil. Returns the Plan; raises Refused.
        def plan(name, parts:, ends:, leaves_to: nil)
          judged = Portfolio::Judging.new(@ports).fresh(name, age: Planner::FRESH)
          raise Refused.new(:unknown, :not_held, name: name) unless judged

          refuse(judged, parts, ends)
          options = options(judged)
          left_out = parts.reject { |part| PARTS.fetch(part, []).intersect?(options) }
          raise Refused.new(:not_now, left_out_says(name, left_out)) if left_out.any?

          wanted = PARTS.values_at(*parts).flatten & options
          leaves = leaves_to.to_s.strip
          plan_of(judged, wanted + [:prepare, (:leaves unless leaves.empty?)].compact, ends, leaves)
        end

        # Starts it. Returns the move's id; raises Refused.
        def start(name, parts:, ends:, by:, leaves_to: nil)
          plan = plan(name, parts: parts, ends: ends, leaves_to: leaves_to)
          @ports
            .moves
            .start(plan, at: @ports.now) do |id|
              words = Common::MoveWords.values(plan, @ports.accounts)
              @ports.journal.add(
                "planned",
                at: @ports.now,
                move_id: id,
                name: name,
                by: by,
                says: Words.phrase("journal.preparing", name: name, from: words[:from], until: ends)
              )
            end
        rescue Store::Moves::AlreadyMoving
          raise Refused.new(:not_now, :already_moving, name: name)
        end

        # The sheet for whoever takes the name, with its code: shown once, then the code is wiped
        # here. Returns its text; raises Refused.
        def hand_over(id, by:)
          move = @ports.moves.find(id) or raise Refused.new(:unknown, :no_move, id: id)
          step = move.state.with_trait(:hands_over)
          raise Refused.new(:not_now, :nothing_to_hand_over, name: move.name) unless step&.active?
          if move.state.begun_at(step.step.id)
            raise Refused.new(:not_now, :handed_over, name: move.name)
          end

          code = @ports.codes.of_move(id)
          text = sheet(move, code)
          @ports.db.transaction do
            said(move, step, by)
            @ports.codes.wipe_of_move(id)
          end
          text
        end

        private

        # Whoever takes the name may want the contacts readable: a privacy service that is on can be
        # turned off.
        def options(judged)
          found =
            PlanOptions.new(@ports, judged, judged.account, nil, Core::Moves::TargetSettings.of)
          if judged.facts[:privacy]
            found.made_ready_options | found.uncovering_options
          else
            found.made_ready_options
          end
        end

        # What was asked for and has nothing to be done is refused aloud, never dropped.
        def left_out_says(name, parts)
          titles = parts.map { |part| Words.maybe(:"prepare.parts.#{part}") || part }
          [Words.phrase("refused.parts_not_there", name: name, parts: titles)]
        end

        def refuse(judged, parts, ends)
          raise Refused.new(:not_now, :already_moving, name: judged.name.to_s) if judged.move
          unless parts.intersect?(PARTS.keys)
            raise Refused.new(:invalid, :nothing_to_make_ready, known: PARTS.keys)
          end
          unless ends > @ports.now && ends <= @ports.now + MOST
            raise Refused.new(:invalid, :kept_until_when)
          end

          barred = judged.verdict.findings.select { |f| f.effect == "bar" }.map(&:because)
          raise Refused.new(:not_now, barred) if barred.any?
        end

        def plan_of(judged, options, ends, leaves)
          facts = judged.facts
          account = judged.account
          Core::Moves::Plan.of(
            name: judged.name.ascii,
            from: account.id,
            to: "",
            options: options,
            ways: account.ways.merge("proof" => @ports.sender ? "connection" : "page"),
            expires_at: facts[:expires_at],
            code_takes: account.habits["code_takes"],
            settle_seconds: 0,
            years: 0,
            name_servers: facts[:name_servers],
            leaves_to: (leaves unless leaves.empty?),
            kept_until: ends,
            kept_seconds: (ends - @ports.now).to_i
          )
        end

        def sheet(move, code)
          family = @ports.rulebook.family_of(Core::Names::DomainName.held(move.name))
          words = Common::MoveWords.values(move.plan, @ports.accounts)
          lines =
            %w[to_whom name registrar lock].map do |key|
              Words.say(
                :"hand_over.#{key}",
                to: move.plan.leaves_to,
                name: move.name,
                from: words[:from]
              )
            end
          lines << Words.say(:"hand_over.code", code: code) if code
          lines << Words.say(:"hand_over.family", family: family.title) if family
          (
            lines +
              [
                Words.say(
                  :"hand_over.until",
                  until: move.plan.kept_until.strftime("%Y-%m-%d %H:%M UTC")
                )
              ]
          ).join("\n")
        end

        def said(move, step, by)
          @ports.journal.add(
            "said",
            at: @ports.now,
            by: by,
            move_id: move.id,
            name: move.name,
            step: step.step.id,
            says: Words.phrase("journal.handed_over", by: by, to: move.plan.leaves_to)
          )
          @ports.journal.add(
            "code-seen",
            at: @ports.now,
            by: by,
            name: move.name,
            says: Words.phrase("journal.code_seen", by: by)
          )
        end
      end
    end
  end
end
