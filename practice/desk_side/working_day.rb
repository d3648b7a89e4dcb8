# frozen_string_literal: true

module Practice
  module DeskSide
    # Lives through what the scenario's working day names, through the same use cases and pages as a
    # person, so that whoever opens the demo finds work under way and evidence for every line of it.
    class WorkingDay
      def initialize(desk, scenario, by:)
        @desk = desk
        @app = desk.app
        @scenario = scenario
        @by = by
        @moves = {}
      end

      def call
        day = @scenario.working_day
        day["acts"].each do |act|
          @desk.driver.move_on(to: Time.iso8601(act["at"]))
          send(act["do"], act)
        end
        @desk.driver.move_on(to: Time.iso8601(day["opens"]))
        SteadyMove::Desk::Portfolio::LookingAgain
          .new(@app)
          .call(@app.names.all.map { |row| row[:name] }) { nil }
      end

      private

      def start(act)
        @moves[act["name"]] = SteadyMove::Desk::Planning::Planner.new(@app).start(
          SteadyMove::Desk::Planning::Request.new(
            name: act["name"],
            to: act["to"],
            host: act["host"],
            aims: act["aims"]
          ),
          by: @by
        )
        @desk.runner.pass
      end

      def approve(act) = orders.approve(@moves.fetch(act["name"]), by: @by)
      def call_off(act) = orders.call_off(@moves.fetch(act["name"]), by: @by)
      def happen(act) = @desk.link.let_happen(act["kind"])

      def ready(act)
        checks = SteadyMove::Desk::Accounts::DestinationChecks.new(@app)
        act["facts"].each { |key| checks.note(act["account"], key, is: true, by: @by) }
      end

      # The list is put into the cart and paid, as a person would at the pages; then it is said.
      def order(act)
        id = @moves.fetch(act["name"])
        place = act["at_pages_of"]
        orders = SteadyMove::Desk::Moves::ManualOrders.new(@app)
        list, = orders.list(place, by: @by, ids: [id])
        visitor = Visitor.new(@scenario)
        site = @app.accounts.find(place).habits["site"]
        visitor.act(site, "all", "card")
        visitor.act(site, "all", "add", list: list)
        visitor.act(site, "all", "pay")
        orders.ordered([[id, "order"]], by: @by, number: act["number"])
      end

      def write(act)
        letters = SteadyMove::Desk::Letters::LetterWriter.new(@app)
        ready = letters.draft(act["account"], by: @by)
        letters.send(ready, account_id: act["account"], by: @by, how: "smtp")
      end

      def orders = SteadyMove::Desk::Moves::MoveCommands.new(@app)
    end
  end
end
