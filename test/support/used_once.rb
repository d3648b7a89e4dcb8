# frozen_string_literal: true

require_relative "signed_in"

# What a desk loads only when it is used is loaded before the test files are forked off: one is used
# in a process of its own, which tells what it loaded.
module UsedOnce
  # Notes what is asked for, but not what that asks for in turn.
  module Noting
    def require(name)
      UsedOnce.noted << name if (outermost = !Thread.current[:requiring])
      Thread.current[:requiring] = true
      super
    ensure
      Thread.current[:requiring] = false if outermost
    end
  end

  module_function

  def noted = @noted ||= []

  def load
    told, teller = IO.pipe
    pid =
      fork do
        Object.prepend(Noting)
        use
        teller.write(noted.uniq.join("\n"))
        teller.close
        exit! 0
      end
    teller.close
    names = told.read.split("\n")
    raise "a desk could not be used" unless Process.wait2(pid).last.success?

    names.each { |name| require name }
    @kept = routes
  end

  # The API's routes as Sinatra compiles them: as long as they are kept, nobody does it again.
  def routes
    contract = SteadyMove::Web::Contract.whole
    contract.operations.map { |operation| Mustermann.new(operation.route) }
  end

  def use
    world = BenchWorld.new
    log = SteadyMove::Web::Log.new(StringIO.new)
    house = world.desk.application(log: log)
    desk = Rack::MockRequest.new(house.rack)
    %w[/ /api/session /api/desk].each { |path| desk.get(path) }
    world.runner.pass
    world.close
  end
end
