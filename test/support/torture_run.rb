# frozen_string_literal: true

require "steady_move"
require_relative "torture"

$stdout.sync = true
kills = Integer(ARGV.fetch(0, "50"))
seed = Integer(ARGV.fetch(1) { Random.new_seed % 1_000_000 })
puts "bin/torture #{kills} #{seed}"
torture = Torture.new(kills, Random.new(seed))
problems = torture.call
puts problems
puts "#{torture.kills["desk"]} kills of the desk, #{torture.kills["world"]} of the practice " \
       "world, in " \
       "#{torture.rounds} rounds; #{problems.size} found"
puts "acknowledged: #{torture.acknowledged.map { |what, count| "#{what} #{count}" }.join(", ")}"
puts "ended: #{torture.endings.map { |ending, count| "#{ending} #{count}" }.join(", ")}"
exit problems.empty?
