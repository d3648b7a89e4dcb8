# frozen_string_literal: true

require "steady_move"
require_relative "fuzz_api"

$stdout.sync = true
# “120”: for so many seconds; “30000x”: so many inputs, the same for the same seed however fast the
# machine is.
amount = ARGV.fetch(0, "120")
seed = Integer(ARGV.fetch(1) { Random.new_seed % 1_000_000 })
fuzz = Fuzz.new(Random.new(seed))
clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
half =
  lambda do
    if amount.end_with?("x")
      last = fuzz.count + (Integer(amount.chomp("x")) / 2)
      -> { fuzz.count >= last }
    else
      ends = clock.call + (Integer(amount) / 2.0)
      -> { clock.call >= ends }
    end
  end
puts "bin/fuzz #{amount} #{seed}"
fuzz.readers(&half.call)
read = fuzz.count
FuzzApi.new(Random.new(seed), fuzz).run(&half.call)
puts "#{read} inputs to readers, #{fuzz.count - read} requests; #{fuzz.found.size} found"
exit fuzz.found.empty?
