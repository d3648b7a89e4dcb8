# frozen_string_literal: true

# What tests of plans share.
module Plans
  # Options as planning gives them: what is taken off before comes back afterwards.
  def with_back(options)
    options | { lock: :lock_back, privacy: :privacy_back }.values_at(*options).compact
  end

  FULL = %i[carry lock code ask privacy identity contact lock_back privacy_back].freeze
  OUTSIDE = %i[outside confirm_link settings].freeze

  # {what => plan} of every shape: over connections, by hand, by email, the families that move
  # otherwise.
  def self.shapes
    hands = {
      "order" => "page",
      "unlock" => "page",
      "code" => "page",
      "release" => "letter",
      "lock_back" => "page"
    }
    {
      "full" => plan(FULL, {}),
      "bare" => plan([], {}),
      "by hand" => plan(FULL + OUTSIDE, hands),
      "by email" => plan(FULL, { "unlock" => "letter", "code" => "letter", "release" => "letter" }),
      "at once" => plan(%i[at_once code], {}),
      "push" => plan(%i[push outside], {}),
      "lapses" => plan(%i[lock code], { "release" => "link", "silence" => "lapses" })
    }
  end

  def self.plan(options, ways)
    SteadyMove::Core::Moves::Plan.of(
      name: "ferry.example",
      from: "a",
      to: "b",
      options: options,
      ways: ways,
      settle_seconds: 7200,
      response_days: 5,
      years: 1
    )
  end
end
