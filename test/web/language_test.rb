# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# A second language is one more folder: with a made-up one, in which every text of the catalogue
# stands in brackets, no sentence of the desk is without them.
class LanguageTest < Minitest::Test
  include SignedIn

  Words = SteadyMove::Words
  # Texts that stand in rows of the rulebook, and what people or others wrote.
  OTHERS = %w[
    because
    why
    remedy
    find_out
    source
    text
    subject
    from_line
    because_of
    sources
    told
    value
    note
    csrf
    owner
    unicode
    version
    typed
    fields
    words
  ].freeze
  LISTS = %w[
    /api/desk
    /api/moves
    /api/moves/1
    /api/moves/2
    /api/hands
    /api/post
    /api/journal
    /api/names
    /api/names/harbourpass.example
    /api/status
    /api/letters
    /api/codes
    /api/accounts
    /api/notes/kinds
    /api/settings
    /api/people
    /api/practice
  ].freeze

  def setup
    super
    @folder = Dir.mktmpdir
    Dir[File.join(Words::FOLDER, "en", "*.yml")].each do |file|
      FileUtils.mkdir_p(File.join(@folder, "xx"))
      File.write(
        File.join(@folder, "xx", File.basename(file)),
        bracketed(YAML.safe_load_file(file)).to_yaml
      )
    end
    FileUtils.cp_r(File.join(Words::FOLDER, "en"), @folder)
    Words.catalogue = Words::Catalogue.new(@folder)
    Words.language = :xx
  end

  def teardown
    Words.catalogue = Words.language = nil
    FileUtils.rm_rf(@folder)
    super
  end

  def bracketed(tree)
    case tree
    when Hash
      tree.transform_values { |v| bracketed(v) }
    when Array
      tree.map { |v| bracketed(v) }
    when String
      "⟦#{tree}⟧"
    else
      tree
    end
  end

  # [path, text] of every text that reads like a sentence: it has two blanks or more, or ends in a
  # full stop.
  def sentences(data, path = [])
    case data
    when Hash
      data.flat_map { |k, v| OTHERS.include?(k) ? [] : sentences(v, path + [k]) }
    when Array
      data.flat_map { |v| sentences(v, path) }
    when String
      data.count(" ") > 1 || data.end_with?(".") ? [[path.join("."), data]] : []
    else
      []
    end
  end

  # Names of registrars and hosts are nobody's language, and what the practice world says its own.
  def names
    @names ||=
      %i[accounts dns_hosts].flat_map { |t| world.app.db[t].select_map(:title) } +
        world.world.scenario.hosts.values.map { |h| h["title"] } +
        Practice::Faults.offered(world.world.scenario).map { |f| f[:says] }
  end

  def bare(data) = sentences(data).reject { |_, text| text.include?("⟦") || names.include?(text) }

  def test_no_sentence_escapes_it
    sign_in
    before = world.app.journal.last_seq
    world.start("nightboat-saltern.example", to: "orlop")
    world.link.fault("answer-tarnbeck-update", "2400")
    world.start("isles-timetable.example", to: "orlop")
    3.times { world.driver.move_on }
    world.link.fault("answer-tarnbeck-update", nil)
    8.times { world.driver.move_on }
    lines = world.app.db[:events].where(Sequel[:seq] > before).select_map(:says)
    assert_operator lines.size, :>, 20
    assert_empty(lines.reject { |says| says.start_with?("⟦") && says.end_with?("⟧") })
    SteadyMove::Desk::Portfolio::Observe.new(world.app).name(
      Core::Names::DomainName.parse("harbourpass.example"),
      world.app.accounts.find("tarnbeck")
    )
    found = []
    LISTS.each do |path|
      get path
      next unless last_response.status == 200

      found << [path, bare(answer)]
    end
    assert_empty(found.reject { |_, f| f.empty? })
  end

  # [path, body] => status; each is refused in a sentence of the catalogue
  REFUSED = {
    ["/api/moves", { name: "nobody-holds.example", to: "orlop" }] => 404,
    ["/api/moves/77/call-off", {}] => 404,
    ["/api/names", { text: "" }] => 422,
    ["/api/codes", { text: "" }] => 422,
    ["/api/people", { email: "nobody", role: "viewer" }] => 422
  }.freeze

  def test_no_refusal_escapes_it
    sign_in
    REFUSED.each do |(path, body), status|
      assert_equal status, send_to(path, **body), path
      assert_empty bare(answer), path
    end
  end
end
