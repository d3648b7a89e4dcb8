# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # The account that a name would go to. suffixes: those it takes (nil where not known);
      # can_pay: true, false or nil;
      # reads_contacts: it needs readable contacts; takes_codes: Codes::Accepted, or nil for all.
      Destination =
        Struct.new(
          :id,
          :title,
          :registrar,
          :suffixes,
          :can_pay,
          :why_not,
          :reads_contacts,
          :takes_codes,
          keyword_init: true
        )
    end
  end
end
