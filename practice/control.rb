# frozen_string_literal: true

module Practice
  # The control API of the practice world: clock, faults, and the registry's log of what it was
  # asked.
  class Control
    def initialize(world)
      @world = world
    end

    def call(env)
      body = env["REQUEST_METHOD"] == "GET" ? {} : JSON.parse(env["rack.input"].read)
      case [env["REQUEST_METHOD"], env["PATH_INFO"]]
      when %w[GET /control/state]
        json(@world.state)
      when %w[POST /control/clock]
        json(@world.move_to(Time.iso8601(body.fetch("to"))).then { @world.state })
      when %w[GET /control/log]
        json(@world.asked)
      when %w[POST /control/faults]
        json(@world.set_fault(body.fetch("id"), body["detail"]).then { @world.state })
      when %w[POST /control/happenings]
        json(@world.let_happen(body.fetch("id")))
      when %w[POST /control/scene]
        json(@world.change(body.fetch("name"), body.fetch("change")))
      else
        [404, {}, []]
      end
    rescue JSON::ParserError, KeyError, ArgumentError, Refusal => e
      [422, { "content-type" => "application/json" }, [JSON.generate(error: e.message)]]
    end

    private

    def json(data) = [200, { "content-type" => "application/json" }, [JSON.generate(data)]]
  end
end
