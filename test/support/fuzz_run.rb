# frozen_string_literal: true

require "steady_move"
require_relative "fuzz_api"

$stdout.sync = true
seconds = Integer(ARGV.fetch(0, "120"))
seed = Integer(ARGV.fetch(1) { Random.new_seed % 1_000_000 })
clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
until_then = lambda do |share|
  ends = clock.call + (seconds * share)
  -> { clock.call >= ends }
end
fuzz = Fuzz.new(Random.new(seed))
puts "bin/fuzz #{seconds} #{seed}"
fuzz.readers(&until_then.call(0.5))
read = fuzz.count
FuzzApi.new(Random.new(seed), fuzz).run(&until_then.call(0.5))
puts "#{read} inputs to readers, #{fuzz.count - read} requests; #{fuzz.found.size} found"
exit fuzz.found.empty?
