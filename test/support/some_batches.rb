# frozen_string_literal: true

# Batches over a world: made, looked at, started.
module SomeBatches
  BEN = "ben@saltern-office.example"
  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze

  def batches = SteadyMove::Desk::Batches::BatchCommands.new(world.app)

  # What names would do and cost together.
  def proposed(names, to:)
    wants = names.map { |n| SteadyMove::Desk::Batches::Batch::Want.new(name: n, to: to, aims: {}) }
    SteadyMove::Desk::Batches::Batch.new(world.app).propose_all(wants)
  end

  def review(id, by: nil)
    SteadyMove::Desk::Batches::BatchReview.new(world.app).review(batches.find(id), by: by)
  end
  def members(id) = world.app.batches.members(id).to_h { |m| [m.name, m] }

  # As it was shown just now.
  def begin_batch(id, by: ByHand::ADA)
    batches.start(id, by: by, shown: review(id).total).tap { world.runner.pass }
  end

  def made(names = NAMES, **more)
    batches.make(names, by: ByHand::ADA, to: "orlop", trial: false, **more).first
  end
  def refused(match, &) = assert_match(match, assert_raises(SteadyMove::Desk::Refused, &).message)

  def price(more)
    account = app.accounts.find("orlop")
    app.accounts.put(account.dup.tap { |a| a.prices = a.prices.merge(more) })
  end
end
