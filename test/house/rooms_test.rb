# frozen_string_literal: true

require_relative "../test_helper"
require "ripper"

# The desk's rooms have walls: whom each may name, what it may ask of the desk, and that tables are
# asked in store/ alone. The picture stands in ARCHITECTURE.md.
class RoomsTest < Minitest::Test
  FOLDER = File.join(SteadyMove::ROOT, "lib", "steady_move", "desk")
  # Each room with those that it names; what isn't here may not be named.
  ARROWS = {
    "common" => [],
    "people" => %w[common],
    "accounts" => %w[common],
    "portfolio" => %w[accounts common],
    "records" => %w[accounts common portfolio],
    "forecast" => %w[common],
    "planning" => %w[accounts common portfolio records],
    "letters" => %w[common],
    "moves" => %w[accounts common letters people portfolio records],
    "mail" => %w[common moves],
    "batches" => %w[accounts common planning portfolio],
    "closing" => %w[accounts batches common portfolio],
    "automation" => %w[batches common moves people planning],
    "operations" => %w[common moves],
    "engine" => %w[accounts automation batches common mail moves operations portfolio]
  }.freeze
  # What mail may tell moves: through this one.
  TOLD_BY_MAIL = %w[UnrequestedTransfers].freeze

  def rooms = ARROWS.keys
  def files(room) = Dir[File.join(FOLDER, room, "**", "*.rb")]

  # Constant paths that a file names, as arrays: [["Moves", "Act"], …].
  def named(file)
    paths = [[]]
    Ripper
      .lex(File.read(file))
      .each do |_, type, text, _|
        if type == :on_const
          paths.last << text
        elsif text != "::"
          paths << [] if paths.last.any?
        end
      end
    paths.reject(&:empty?).map { |p| p.first == "Desk" ? p.drop(1) : p }
  end

  # Core has folders of the same names: it is a room's where the room has such a constant.
  def of_a_room?(path)
    path.size > 1 && rooms.include?(path[0].downcase) &&
      SteadyMove::Desk.const_get(path[0]).const_defined?(path[1], false)
  end

  def test_arrows_between_rooms_run_one_way
    titles = rooms.to_h { |r| [r.capitalize, r] }
    seen =
      rooms.to_h do |room|
        others = files(room).flat_map { |f| named(f) }.select { |p| of_a_room?(p) }.map(&:first)
        [room, (others.map { |o| titles[o] } - [room]).uniq.sort]
      end
    assert_equal ARROWS, seen
    rooms.each_with_index { |room, i| assert_empty seen[room] & rooms.drop(i), room }
  end

  def test_mail_tells_moves_by_one_interface
    told = files("mail").flat_map { |f| named(f) }.select { |p| of_a_room?(p) && p[0] == "Moves" }
    assert_equal TOLD_BY_MAIL, told.map { |p| p[1] }.uniq
  end

  def test_every_folder_is_a_room_and_its_inside_is_private
    folders = Dir[File.join(FOLDER, "*/")].map { |d| File.basename(d) }.sort
    assert_equal rooms.sort, folders
    rooms.each do |room|
      mod = SteadyMove::Desk.const_get(room.capitalize)
      face = File.read(File.join(FOLDER, "#{room}.rb"))
      assert_match(
        /^    # \S.*\n(?:    #.*\n)*    #\n    #   \S/,
        face,
        "#{room}: say how it is used"
      )
      inside = files(room).map { |f| File.basename(f, ".rb").split("_").map(&:capitalize).join }
      offered = mod.constants(false).map(&:to_s)
      assert_empty offered - inside, room
      assert_raises(NameError, room) { mod.module_eval("#{mod}::Ports", __FILE__, __LINE__) }
    end
  end

  # A room asks the desk for what it declared, and declares what it asks for.
  def test_ports_are_those_that_are_used
    rooms.each do |room|
      ports = SteadyMove::Desk.const_get(room.capitalize).const_get(:Ports)::READERS.map(&:to_s)
      code = files(room).map { |f| File.read(f).gsub(/^\s*#.*$/, "") }.join
      used = code.scan(/(?:\bports|Ports\.of\(ports\))\s*&?\.\s*(\w+\??)/).flatten.uniq
      used |= code[/def_delegators :@ports,(.*?)\n\n/m, 1].to_s.scan(/:(\w+)/).flatten
      assert_empty ports - used, "#{room} needs what it doesn't use"
    end
  end

  # Whoever is given the whole desk narrows it to the room's ports.
  def test_nobody_keeps_the_whole_desk
    rooms
      .flat_map { |r| files(r) }
      .each { |f| refute_match(/@app\b|\(app\b/, File.read(f), f.delete_prefix(FOLDER)) }
  end

  # Tables are asked in store/ alone; what else knows the database knows transactions and errors.
  def test_tables_are_asked_in_the_store_alone
    lib = File.join(SteadyMove::ROOT, "lib", "steady_move")
    others = Dir[File.join(lib, "**", "*.rb")].reject { |f| f.start_with?(File.join(lib, "store")) }
    assert_operator others.size, :>, 300
    others.each do |file|
      code = File.read(file).gsub(/^\s*#.*$/, "")
      refute_match(/\bdb\s*\[|Sequel\[|Sequel\.(?!sqlite)|\.from\(:/, code, file.delete_prefix(lib))
    end
  end
end
