# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../practice/practice"

# What the papers say is there: pictures, paths and commands.
class PapersTest < Minitest::Test
  ROOT = SteadyMove::ROOT

  def paper(name) = File.read(File.join(ROOT, name))

  def test_every_picture_is_there_and_linked
    linked = paper("README.md").scan(%r{docs/screenshots/[\w-]+\.png}).uniq.sort
    assert_equal linked,
                 Dir[File.join(ROOT, "docs", "screenshots", "*.png")]
                   .map { |f| f.delete_prefix("#{ROOT}/") }
                   .sort
    assert_operator linked.size, :<, 20
    linked.each { |f| assert_equal "\x89PNG".b, File.binread(File.join(ROOT, f), 4), f }
  end

  # What commands make is in nobody's copy until they ran.
  MADE = %r{\A(?:tmp|public|vendor)/}

  # Paths in the tables of ARCHITECTURE.md, from the root or from lib/steady_move or practice: what
  # a fresh copy has.
  def test_every_path_that_is_named_is_there
    named = paper("ARCHITECTURE.md").scan(%r{`([\w.-]+(?:/[\w.*-]+)+/?)`}).flatten.uniq
    assert_operator named.size, :>=, 30
    copied = IO.popen(["git", "-C", ROOT, "ls-files", "-z"], &:read).split("\0")
    lost =
      named
        .grep_v(MADE)
        .reject do |path|
          ["", "lib/steady_move/", "practice/", "ui/src/"].any? { |b| there?(copied, b + path) }
        end
    assert_empty lost
  end

  # Classes that the papers name, as they are called within the library or the practice world.
  def test_every_class_that_is_named_is_there
    named = paper("ARCHITECTURE.md").scan(/`((?:[A-Z]\w+::)+[A-Z]\w+)/).flatten.uniq
    assert_operator named.size, :>=, 50
    lost =
      named.reject do |path|
        [SteadyMove, SteadyMove::Core, SteadyMove::Desk, SteadyMove::Wire, Object].any? do |room|
          path.split("::").reduce(room) { |at, name| at.const_get(name, false) }
        rescue NameError
          false
        end
      end
    assert_empty lost
  end

  def test_every_setting_is_told_of
    schema = YAML.safe_load_file(File.join(ROOT, "config", "desk.schema.yml"))
    told = paper("docs/configuration.md").scan(/^\| `([a-z_]+)/).flatten
    assert_empty schema["properties"].keys - told
    assert_empty told - schema["properties"].keys
  end

  # A minute's read up to the two commands, three for all but the pictures.
  def test_the_readme_is_short
    words = ->(text) { text.scan(/[[:alnum:]][\w'’.-]*/).size }
    readme = paper("README.md")
    assert_operator words.call(readme[/\A.*?^## The first move/m]), :<, 300
    assert_operator words.call(readme[/\A.*(?=^## More pictures)/m]), :<, 900
  end

  COMMANDS = %w[demo start test bench prepare screenshots steady-move dev console].freeze

  def test_every_command_that_is_named_is_there
    named =
      %w[README.md CONTRIBUTING.md]
        .flat_map { |p| paper(p).scan(%r{(?<!\.)bin/([a-z-]+)}) }
        .flatten
        .uniq
    assert_empty named - COMMANDS
    assert_empty(COMMANDS.reject { |c| File.executable?(File.join(ROOT, "bin", c)) })
  end

  # Every public method of core and wire is preceded by a word on it, or is one of a line that says
  # itself.
  def test_public_methods_of_core_and_wire_are_explained
    bare =
      Dir[File.join(ROOT, "lib", "steady_move", "{core,wire}", "**", "*.rb")].flat_map do |f|
        unexplained(f)
      end
    assert_empty bare
  end

  private

  # A file of that name, one of that pattern, or a folder with files.
  def there?(copied, path)
    copied.any? { |f| File.fnmatch?(path, f) || f.start_with?("#{path.chomp("/")}/") }
  end

  def unexplained(file)
    lines = File.readlines(file)
    hidden = lines.index { |l| l.match?(/^\s*private\s*$/) } || lines.size
    withheld = lines.join[/private_class_method.*/m].to_s.scan(/:(\w+[?!]?)/).flatten
    lines
      .first(hidden)
      .each_with_index
      .filter_map do |line, i|
        name = line[/^\s*def (?:self\.)?(\w+[?!]?)/, 1] or next
        if line.include?(" = ") || withheld.include?(name) || name == "initialize" ||
             lines[i - 1].match?(/^\s*(#|def )/) || line.match?(/def \w+;/)
          next
        end

        "#{File.basename(file)}: #{name}"
      end
  end
end
