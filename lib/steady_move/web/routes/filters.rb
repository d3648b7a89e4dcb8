# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Filters of the list of names that were kept by name.
      module Filters
        extend Answers

        # One's own and the team's.
        module Helpers
          def saved_filters = Desk::People::Filters.new(desk)

          def filters_shown
            {
              own: saved_filters.of(person[:id]).map { |f| filter_shown(f) },
              team: saved_filters.of(nil).map { |f| filter_shown(f) }
            }
          end

          def filter_shown(filter) = filter.to_h.slice(:title, :filters, :by)

          def keep_filter(whose)
            if given["filters"]
              saved_filters.keep(given["title"], given["filters"], by: me, whose: whose)
            else
              saved_filters.forget(given["title"], whose: whose)
            end
            filters_shown
          end
        end

        on("filters") { filters_shown }
        on("keepFilter") { keep_filter(person[:id]) }
        on("keepTeamFilter") { keep_filter(nil) }
      end
    end
  end
end
