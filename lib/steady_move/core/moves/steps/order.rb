# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Order =
          Step.declare("order") do
            order 410
            stage "Ordered"
            needs "answers-before",
                  "renew",
                  "papers",
                  "lock-gone",
                  "check-code",
                  "contacts-shown",
                  "prove-contact",
                  "ns-settled",
                  "ds-in"
            eased :stands_alone,
                  "renew",
                  "papers",
                  "lock-gone",
                  "check-code",
                  "contacts-shown",
                  "prove-contact",
                  "ns-shown"
            spares :servers_late, "ns-settled", "ns-shown", "ds-in"
            adds :ds_first, "ds-forgotten"
            adds :lower_first, "ttls-lowered"
            except :prepare, :push, :dns_only
            act "order", at: :gaining
            via :connection
            via :page, proof: :ordered_shown, takes: REACHES
            undo "withdraw", "make-safe"
            talks_to :gaining
            traits :orders, :refusable
          end
      end
    end
  end
end
