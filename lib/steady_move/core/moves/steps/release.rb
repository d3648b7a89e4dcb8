# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Release =
          Step.declare("release") do
            order 510
            stage "Release"
            actor :yours
            needs "registry-pending"
            eased :outside, "order"
            except :prepare, :at_once, :push, :dns_only
            takes MINUTE, HOUR, 5 * DAY, by: :response
            act "release", at: :losing
            via :connection
            via :page, :link, :letter, :none
            letter "release"
            talks_to :gaining
            traits :approval
          end
      end
    end
  end
end
