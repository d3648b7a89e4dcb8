# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The rulebook and a site's own words on it.
      module Rulebook
        extend Answers

        # The book as it is shown.
        module Helpers
          def book
            Views::RulebookView.book(desk.rulebook, desk.overrides.all, overruling.unlisted)
          end
          def overruling = Desk::Portfolio::Overruling.new(desk)
        end

        on("rulebook") { book }

        on "previewOverride" do
          Views::RulebookView.preview(
            overruling.preview(given["suffix"], given["key"], given["value"])
          )
        end

        on "override" do
          overruling.save(
            *given.values_at("suffix", "key", "value"),
            source: given["source"],
            date: given["date"],
            by: me
          )
          status 201
          book
        end

        on "addSuffixes" do
          overruling.add(
            given["suffixes"],
            like: given["like"],
            title: given["title"],
            values: given["values"] || {},
            source: given["source"],
            date: given["date"],
            by: me
          )
          status 201
          book
        end

        on "takeBackOverride" do
          overruling.take_back(asked[:id], by: me)
          book
        end
      end
    end
  end
end
