# frozen_string_literal: true

module SteadyMove
  module Desk
    module People
      # Filters of the list of names, kept by name: one's own, or the team's, whom everybody sees.
      class Filters
        MOST = 40
        TITLE = 60

        def initialize(ports)
          @rows = Store::SavedFilters.new(Ports.of(ports).db)
        end

        # person_id: nil for the team's. Returns [Store::SavedFilters::Filter].
        def of(person_id) = @rows.of(person_id)

        # filters: as they stand in the list's address; whose: a person's id, nil for the team.
        # Raises Refused.
        def keep(title, filters, by:, whose: nil)
          title = title.strip
          raise Refused.new(:invalid, :filter_without_title) if title.empty?
          raise Refused.new(:invalid, :filter_of_nothing) if filters.strip.empty?

          others = of(whose).reject { |f| f.title == title }
          raise Refused.new(:invalid, :too_many_filters, most: MOST) if others.size >= MOST

          @rows.keep(whose, title, filters, by: by)
        end

        # Raises Refused.
        def forget(title, whose: nil)
          @rows.forget(whose, title.strip) or raise Refused.new(:unknown, :no_filter, title: title)
        end
      end
    end
  end
end
