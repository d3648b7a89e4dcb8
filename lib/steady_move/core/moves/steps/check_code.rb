# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        CheckCode =
          Step.declare("check-code") do
            order 300
            needs "get-code"
            except :prepare, :dns_only
            takes 1, 5, MINUTE
            option :code
            talks_to :gaining
            traits :code_check
          end
      end
    end
  end
end
