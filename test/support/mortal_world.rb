# frozen_string_literal: true

require_relative "bench_world"
require "English"
require "sqlite3"

# A practice world in a process of its own that can be killed and begun anew; its folder is
# @world_folder.
module MortalWorld
  private

  # Begins it; what arms it for its end is done in its own process, by the block.
  def begin_world
    SQLite3::ForkSafety.suppress_warnings!
    ready, told = IO.pipe
    @world_pid =
      fork do
        yield if block_given?
        Practice::Main.new(@world_folder, rate: 0, scenario: scenario).start
        told.puts "ready"
        sleep
      end
    told.close
    ready.gets
    ready.close
  end

  def end_world
    return unless @world_pid

    Process.kill(:KILL, @world_pid)
    Process.wait(@world_pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  ensure
    @world_pid = nil
  end

  def scenario = Practice::Scenario.demo(names_at: %w[tarnbeck])
  def endpoints = JSON.parse(File.read(File.join(@world_folder, "endpoints.json")))

  # A desk beside it, in the process that asks.
  def open_desk
    Practice::DeskSide::Desk.new(
      endpoints,
      data: File.join(@folder, "desk"),
      port: 0,
      scenario: scenario,
      cost: BenchWorld::QUICK
    )
  end
end
