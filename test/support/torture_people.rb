# frozen_string_literal: true

# The people around a desk that may die at any moment: they begin all kinds of work, approve, do by
# hand what is to be done by hand, write letters, call off now and then. What the desk has
# acknowledged to them they write down.
class TorturePeople
  BY = "ada"
  DESTINATION = "orlop"
  HOST = "lanternroom"
  # What each kind of work is begun with; whatever can't be begun is left out.
  SINGLE = %w[
    saltern-isles.example
    isles-timetable.example
    slipway.example
    isles-weather.example
    saltern-harbour.example
  ].freeze
  READY = "harbourpass.example"
  DNS_ALONE = "saltern-freight.example"
  BATCH = %w[saltern-careers.example nightboat-saltern.example salternferries.example].freeze
  KEPT_READY = 6 * 86_400
  # Step by hand => act at the registrar's pages.
  PAGES = {
    "unlock" => "lock-off",
    "ask-code" => "code",
    "release" => "release",
    "lock-back" => "lock-on",
    "make-safe" => "lock-on"
  }.freeze
  Refused = SteadyMove::Desk::Refused

  # said: path of the file in which acknowledged acts are kept; one in `calls_off` of the looks at a
  # move calls it off.
  def initialize(app, scenario, said:, random:, calls_off: 200)
    @app = app
    @said = said
    @random = random
    @calls_off = calls_off
    @visitor = Practice::DeskSide::Visitor.new(scenario)
    @orders = SteadyMove::Desk::Moves::MoveCommands.new(app)
    @hands = SteadyMove::Desk::Moves::ManualSteps.new(app)
    @letters = SteadyMove::Desk::Letters::LetterWriter.new(app)
    @batches = SteadyMove::Desk::Batches::BatchCommands.new(app)
  end

  # Acts that were acknowledged: [[what, move, step]].
  def self.acknowledged(file)
    File.exist?(file) ? File.readlines(file).map { |l| JSON.parse(l) } : []
  end

  # Begins what has not been begun yet: moves, a preparation, DNS alone, a batch.
  def begin_all
    SINGLE.each { |name| begin_one(name) { single(name) } }
    begin_one(READY) { prepare }
    begin_one(DNS_ALONE) do
      SteadyMove::Desk::Planning::DnsAlone.new(@app).start(DNS_ALONE, host: HOST, by: BY)
    end
    begin_batch
  end

  # One round of everything that people do.
  def act
    @app.moves.open.each { |move| decide(move) }
    consent
    @hands.places.flat_map(&:items).each { |item| by_hand(item) }
    write
    @app.batches.all.each { |b| may { @batches.go_on(b.id, by: BY) } if b.state == "halted" }
  end

  private

  def may
    yield
  rescue Refused
    nil
  end

  # Kept on the disk before anything else is done, as an answer that has reached somebody.
  def acknowledge(*act)
    File.open(@said, "a") do |f|
      f.puts(JSON.generate(act))
      f.fsync
    end
  end

  def begin_one(name)
    return if @app.moves.of_name(name).any?

    may { acknowledge("planned", yield, nil) }
  end

  def single(name)
    SteadyMove::Desk::Planning::Planner.new(@app).start(
      SteadyMove::Desk::Planning::Request.new(name: name, to: DESTINATION, host: carried(name)),
      by: BY
    )
  end

  def carried(name) = (HOST if name == "saltern-isles.example")

  def prepare
    SteadyMove::Desk::Planning::Preparing.new(@app).start(
      READY,
      parts: %w[unlock code],
      ends: @app.now + KEPT_READY,
      by: BY
    )
  end

  def begin_batch
    id = @app.batches.all.first&.id
    id ||= may { @batches.make(BATCH, by: BY, to: DESTINATION, host: HOST, trial: false).first }
    return unless id && @batches.find(id).state == "draft"

    shown = SteadyMove::Desk::Batches::BatchReview.new(@app).review(@batches.find(id), by: BY).total
    may do
      @batches.start(id, by: BY, shown: shown)
      acknowledge("batch", id, nil)
    end
  end

  def decide(move)
    release = move.state.with_trait(:approval)
    if release_due?(move, release)
      told("approved", move, release.step.id) { @orders.approve(move.id, by: BY) }
    end
    if @random.rand(@calls_off).zero?
      told("called-off", move, nil) { @orders.call_off(move.id, by: BY) }
    end
  end

  def release_due?(move, release)
    release&.active? && !release.step.by_hand? && !move.state.approved?
  end

  def told(what, move, step)
    may do
      yield
      acknowledge(what, move.id, step)
    end
  end

  def consent
    due = @hands.consents or return
    due.moves.each do |move|
      step = move.state.with_trait(:consent).step.id
      told("consent", move, step) do
        @hands.consent(
          [move.id],
          given_by: "Pearl Strand, by telephone",
          ends: @app.now + (30 * 86_400),
          by: BY
        )
      end
    end
  end

  # At the registrar's pages first, then said here. The page may say that it is done already.
  def by_hand(item)
    return if item.said_at || item.letter

    page = PAGES[item.step]
    @visitor.act(item.hand.site, item.name, page) if page && item.hand.site
    may do
      @hands.said([[item.move_id, item.step]], by: BY)
      acknowledge("said", item.move_id, item.step)
    end
  end

  # One letter for all that waits; one of which nobody knows whether it left is written anew.
  def write
    @app.letters.unanswered.each do |letter|
      may { @letters.left(letter[:id], left: false, by: BY) } if letter[:state] == "intended"
    end
    @app.accounts.all.each do |account|
      ready = may { @letters.draft(account.id, by: BY) } or next
      id = may { @letters.send(ready, account_id: account.id, by: BY, how: "smtp") }
      acknowledge("letter", id, nil) if id
    end
  end
end
