# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # The rulebook as JSON: per family what holds and from where.
      module RulebookView
        VALUES = Core::Readiness::Family.open_values

        module_function

        # book: Rulebook; overrides: rows of Store::Overrides, newest first; unlisted: suffixes in
        # no family.
        def book(book, overrides, unlisted)
          {
            families: book.families.reject { |f| f.suffixes.empty? }.map { |f| family(f) },
            keys: [*VALUES, "title", Desk::Portfolio::Overruling::FAMILY],
            unlisted: unlisted,
            titles: titles(book),
            overrides: overrides.map { |o| override(o) }
          }
        end

        # What people read of each rule, and of each value of a family.
        def titles(book)
          values =
            [*VALUES, "title", Desk::Portfolio::Overruling::FAMILY].to_h do |key|
              [key, Words.say(:"family.#{key}")]
            end
          values.merge(book.entries.transform_values(&:title))
        end

        def family(family)
          {
            id: family.id,
            title: family.title,
            suffixes: family.suffixes,
            overruled: (family.overrides || []).any?,
            move_hours: family.move_hours,
            p90_hours: (family.p90 / 3600.0).round(1),
            values:
              VALUES.map do |key|
                { key: key, value: family[key]&.to_s, source: source(family.source_of(key)) }
              end,
            rules: family.judged_by.map { |entry, _| rule(entry) },
            without: without(family)
          }
        end

        def rule(entry)
          {
            id: entry.id,
            effect: entry.effect,
            days: entry.params["days"],
            soft: entry.soft,
            because: entry.because.gsub(/\{(\w+)\}/, "…"),
            remedy: entry.remedy,
            source: source(entry.source)
          }
        end

        # That a suffix is in no family can't hold in one.
        def without(family) = family.lines.keys - family.rules - ["suffix-unlisted"]

        def source(source)
          {
            text: source["text"],
            kind: source["kind"],
            verified: source["verified"],
            date: source["date"].to_s
          }
        end

        def override(row)
          row.slice(:id, :suffix, :key, :value, :source, :date, :by).merge(
            at: Json.seconds(row[:at]),
            taken_back_at: Json.seconds(row[:taken_back_at])
          )
        end

        def preview(preview)
          names =
            preview.names.map do |name, was, is|
              { name: name, was: NameView.gate(was), is: NameView.gate(is) }
            end
          { count: preview.touched, looked_at: preview.looked_at, names: names }
        end
        private_class_method :titles, :family, :rule, :without, :source, :override
      end
    end
  end
end
