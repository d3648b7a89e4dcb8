# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Planning, starting, following and steering moves.
      module Moves
        extend Answers

        PAGE = 100

        # What others show of moves as well.
        module Helpers
          def cards_of(moves)
            looks = desk.schedule.looks(moves.map(&:id))
            moves.map do |m|
              Views::MoveView.card(m, words_of(m), looks, now, in_short, range_of(m))
            end
          end

          def in_short = Desk::Planning::InShort.new(desk)
          def range_of(move) = move.open ? desk.forecasts.for_move(move) : nil
          def words_of(move) = Desk::Common::MoveWords.values(move.plan, desk.accounts)

          def move_sheet(id)
            move = desk.moves.find(id) or raise Desk::Refused.new(:unknown, :no_move, id: id)
            instructions = Desk::Moves::Instructions.new(desk)
            Views::MoveView.sheet(
              move,
              words_of(move),
              desk.schedule.looks([id]),
              now,
              in_short,
              range_of(move),
              code_state: desk.codes.state_of(id),
              hands: ->(state) { instructions.for_step(move, state) },
              cost: move.open ? nil : Desk::Closing::LedgerBook.new(desk).paid(move)
            ).merge(
              revision: Desk::Planning::PlanRevising.new(desk).told(move),
              left_open: move.open ? 0 : Desk::Closing::LeftBehind.new(desk).count(move),
              acts: Views::MoveView.acts(move, application.contract.allowed(person[:role]))
            )
          end

          # Whom a move may be handed to; only those are told who may do it.
          def takers
            return [] unless Desk::People::Directory.may?(person[:role], "mover")

            application
              .people
              .all
              .map { |p| p[:email] if Desk::People::Directory.may?(p[:role], "mover") }
              .compact
          end

          def planning = Desk::Planning::Planner.new(desk)

          # The price that somebody saw and agreed to: an Amount, nil where none was known, :any
          # where none was sent.
          def accepted
            return :any unless given.key?("price")

            Core::Money::Amount.of(given["price"])
          end

          # What a person chose of the plan (Desk::Planning::Request).
          def wish
            chosen = %w[name to host aims choice lower late].to_h { |key| [key.to_sym, given[key]] }
            Desk::Planning::Request.new(**chosen)
          end

          # Steers a move and shows it as it is then.
          def steer(act, **more)
            application.orders.public_send(act, asked[:id], by: me, **more)
            nudge
            move_sheet(asked[:id])
          end
        end

        on "revisePlan" do
          Desk::Planning::PlanRevising.new(desk).revise(asked[:id], told: given["told"], by: me)
          nudge
          move_sheet(asked[:id])
        end

        on "propose" do
          found = planning.propose(wish) or raise Desk::Refused.new(:invalid, :nothing_to_move)
          Views::MoveView.proposal(
            found,
            Desk::Common::MoveWords.values(found.plan, desk.accounts),
            now,
            desk.forecasts.of_plan(found.plan),
            stays_up: in_short.uptime(found.plan)
          )
        end

        on "startMove" do
          id = planning.start(wish, by: me, price: accepted)
          nudge
          status 201
          { id: id }
        end

        on "prepareName" do
          id =
            Desk::Planning::Preparing.new(desk).start(
              given["name"],
              parts: given["parts"],
              by: me,
              ends: Contract.instant(given["until"]),
              leaves_to: given["leaves_to"]
            )
          nudge
          status 201
          { id: id }
        end

        # The code is on its way to somebody: nobody keeps the answer.
        on "handOver" do
          text = Desk::Planning::Preparing.new(desk).hand_over(asked[:id], by: me)
          nudge
          headers "Cache-Control" => "no-store"
          { text: text }
        end

        # Who else has this sheet open; and who has it in hand.
        on "here" do
          move = desk.moves.find(asked[:id]) or
            raise Desk::Refused.new(:unknown, :no_move, id: asked[:id])
          {
            others: application.presence.here(move.id, me),
            keeper: Desk::Moves::Assignment.current(move),
            people: takers
          }
        end

        on "handOn" do
          role = application.people.all.find { |p| p[:email] == given["to"].downcase }&.fetch(:role)
          Desk::Moves::Assignment.new(desk).to(
            asked[:id],
            given["to"].downcase,
            role: role,
            note: given["note"],
            by: me
          )
          move_sheet(asked[:id])
        end

        on "moves" do
          limit = asked.fetch(:limit, PAGE)
          open = { "open" => true, "ended" => false }[asked[:state]]
          moves =
            desk.moves.page(
              before: asked[:before],
              limit: limit,
              turn: asked[:turn],
              open: open,
              account: asked[:account],
              words: asked[:q]
            )
          { moves: cards_of(moves), next: moves.size == limit ? moves.last.id : nil }
        end

        on("move") { move_sheet(asked[:id]) }
        on("approve") { steer(:approve) }
        on("unwish") { steer(:unwish) }
        on("lookNow") { steer(:look_now) }
        on("callOff") { steer(:call_off) }
        on("sameRegistrar") { steer(:same_registrar) }
        on("sayOver") { steer(:over, how: given["how"]) }
        on("mendMove") { steer(:mend) }
        on("acceptStep") { steer(:accept, step: given["step"], reason: given["reason"]) }
      end
    end
  end
end
