# frozen_string_literal: true

module SteadyMove
  module Desk
    # A site's own word on a suffix: what it would change, saved with its source, taken back.
    class Overruling
      # The word makes no sense; says why.
      class Invalid < StandardError; end
      # touched: how many names' gate would change; names: the first of them as [name, was, is]; looked_at: how many were judged.
      Preview = Struct.new(:touched, :names, :looked_at, keyword_init: true)
      SHOWN = 50
      DATE = /\A\d{4}-\d\d-\d\d\z/

      def initialize(app)
        @app = app
      end

      # Which names an override would change now. Raises Invalid.
      def preview(suffix, key, value)
        changed = @app.rulebook.with([word(suffix, key, value)])
        own = OwnFacts.new(@app, many: true)
        found = Preview.new(touched: 0, names: [], looked_at: 0)
        @app.names.each_with_said(under: suffix) { |row, said, _| weigh(found, row, own.add(row, Core::Readiness::Facts.merged(said).first), changed) }
        found
      rescue Core::Readiness::Rulebook::Invalid => e
        raise Invalid, e.message.delete_prefix("override: ")
      end

      # Raises Invalid. Returns the override's id.
      def save(suffix, key, value, source:, date:, by:)
        raise Invalid, "a source is expected: where this is written, or who said so" if source.strip.empty?
        raise Invalid, "date: a date such as 2027-03-01 is expected, not “#{date}”" unless date.match?(DATE)

        touched = preview(suffix, key, value)
        id = @app.overrides.add(suffix: suffix, key: key, value: value.to_s, source: source.strip, date: date, by: by, at: @app.now)
        @app.journal.add("rulebook", at: @app.now, by: by, says: "For “.#{suffix}”, #{key} is #{value} here (#{source.strip}, #{date}); it changed #{touched.touched} names.")
        id
      end

      def take_back(id, by:)
        row = @app.overrides.find(id)
        raise Invalid, "there is no word number #{id} that still holds" unless row && @app.overrides.take_back(id, at: @app.now) == 1

        @app.journal.add("rulebook", at: @app.now, by: by, says: "Took back: for “.#{row[:suffix]}”, #{row[:key]} is #{row[:value]}.")
      end

      private

      def word(suffix, key, value)
        any = Core::Names::DomainName.known("any.#{suffix}", "any.#{suffix}")
        raise Invalid, "no family of the rulebook covers “.#{suffix}”" unless @app.rulebook.family_of(any)

        Core::Readiness::Override.new(suffix: suffix, key: key, value: value, source: { "text" => "", "kind" => "site", "verified" => true, "date" => "" })
      end

      def weigh(found, row, facts, changed)
        name = Core::Names::DomainName.known(row[:name], row[:unicode])
        was, is = [@app.rulebook, changed].map { |book| Core::Readiness::Judge.judge(book, name, facts).outline.gate(@app.now.to_i) }
        found.looked_at += 1
        return if was == is

        found.touched += 1
        found.names << [name.unicode, was, is] if found.names.size < SHOWN
      end
    end
  end
end
