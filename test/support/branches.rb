# frozen_string_literal: true

require "coverage"

# Which branches of the code the tests went through, by room (Ruby's own Coverage). Every process of
# a run leaves what it saw in one folder; together they are the table that is printed.
module Branches
  # Names the folder to what is started by tests.
  PLACE = "STEADY_MOVE_BRANCHES"
  LIB = "#{File.expand_path("../../lib/steady_move", __dir__)}/".freeze

  module_function

  # Before the code is loaded.
  def start(folder)
    @folder = folder
    Coverage.start(branches: true)
  end

  # Has commands that are started from now on do the same.
  def beside
    ENV[PLACE] = @folder
    ENV["RUBYOPT"] = "#{ENV.fetch("RUBYOPT", "")} -r#{__dir__}/branches_beside"
  end

  # At the end of a process.
  def leave
    seen =
      Coverage
        .peek_result
        .select { |file, _| file.start_with?(LIB) }
        .transform_values { |found| found.fetch(:branches) }
    File.binwrite(File.join(@folder, Process.pid.to_s), Marshal.dump(seen))
  end

  # {file => {[branching, way] => how often}}.
  def counts
    @counts ||=
      Hash
        .new { |all, file| all[file] = Hash.new(0) }
        .tap do |counts|
          Dir[File.join(@folder, "*")].each do |left|
            own = Marshal.load(File.binread(left)) # rubocop:disable Security/MarshalLoad -- our own
            own.each do |file, branches|
              branches.each { |from, ways| ways.each { |way, n| counts[file][[from, way]] += n } }
            end
          end
        end
  end

  # Where nobody went: "desk/moves/act.rb:12 then of the if in line 12". Returns lines, by file.
  def missed
    counts.sort.flat_map do |file, ways|
      ways
        .reject { |_, n| n.positive? }
        .keys
        .map { |from, way| [way[2], way.first, from.first, from[2]] }
        .sort_by(&:first)
        .map do |line, way, kind, at|
          "#{file.delete_prefix(LIB)}:#{line} #{way} of the #{kind} in line #{at}"
        end
    end
  end

  # {room => [branches gone through, all]}.
  def rooms
    counts
      .group_by { |file, _| room(file) }
      .transform_values do |files|
        all = files.flat_map { |_, ways| ways.values }
        [all.count(&:positive?), all.size]
      end
  end

  # core/records, desk/moves, web/routes, …; a file at the top of its room stands for the room.
  def room(file) =
    file.delete_prefix(LIB).split("/").then { |path| path[0...-1].first(2).join("/") }

  def table
    rooms
      .sort
      .map do |room, (seen, all)|
        share = all.zero? ? 100 : 100 * seen / all
        format("%-24s %5d of %5d branches  %3d %%", room.empty? ? "(top)" : room, seen, all, share)
      end
      .push(total)
  end

  def total
    seen, all = rooms.values.transpose.map(&:sum)
    format("%-24s %5d of %5d branches  %3d %%", "all", seen, all, 100 * seen / all)
  end
end
