# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # One thing learnt about a name. key: Symbol; source: account, public_record, dns, hand or desk;
      # seen_at: Time (UTC) when it was learnt; ref: where it can be looked up again.
      Fact = Struct.new(:key, :value, :source, :seen_at, :ref, keyword_init: true)
    end
  end
end
