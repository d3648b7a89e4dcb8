# frozen_string_literal: true

module Practice
  module DeskSide
    # A desk beside a practice world: configuration, clock, first names and the person who signs in.
    class Desk
      EMAIL = "ada@saltern-office.example"
      PASSWORD = "harbour-light-27"

      attr_reader :app, :runner, :driver, :clock, :link

      # endpoints: as published by the world; data: the desk's folder; cost: of hashing a password.
      def initialize(
        endpoints,
        data:,
        port:,
        scenario: Scenario.demo,
        cost: SteadyMove::Desk::People::Passwords::COST,
        timeout: 15,
        watch: true
      )
        @link = Link.new(endpoints)
        @clock = Clock.new(@link)
        config =
          SteadyMove::Desk::Config.new(
            Settings.map(
              endpoints,
              scenario,
              data: data,
              port: port,
              timeout: timeout,
              watch: watch
            )
          )
        @app = SteadyMove::Desk::App.new(config, clock: @clock, random: Random.new)
        @runner = SteadyMove::Desk::Engine::StepRunner.new(@app)
        @driver = Driver.new(@link, @clock, @runner, news: -> { news })
        passwords = SteadyMove::Desk::People::Passwords.new(cost: cost)
        @people = SteadyMove::Desk::People::Directory.new(@app, passwords: passwords)
        @people.add(EMAIL, passwords.hash(PASSWORD), role: "administrator") if @people.empty?
        @scenario = scenario
        @seed = Seed.new(@app, endpoints, scenario)
        @seed.call(by: EMAIL)
      end

      # The world has moved to other ports: accounts and hosts are told where their pages and
      # connections are now.
      def places_again = @seed.places_again

      # Lives through the scenario's week, so that work is under way. Only for a desk that was just
      # filled.
      def live_through_the_week = WorkingDay.new(self, @scenario, by: EMAIL).call

      # What stands in the journal, and where each move stands.
      def news
        [
          app.journal.last_seq,
          app.moves.open.map { |m| [m.id, m.state.turn, m.state.current&.phase] }
        ]
      end

      # The whole web application.
      def application(log:, **more)
        SteadyMove::Web::Application.new(
          app,
          runner,
          log: log,
          practice: driver,
          people: @people,
          **more
        )
      end
    end
  end
end
