# frozen_string_literal: true

# What tests of plans share.
module Plans
  # Options as planning gives them: what is taken off before comes back afterwards.
  def with_back(options) = options | { lock: :lock_back, privacy: :privacy_back }.values_at(*options).compact
end
