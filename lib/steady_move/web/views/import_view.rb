# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Imports of names as JSON: what they would do, and how far they are.
      module ImportView
        # So many rows that need a look are shown at once, and so many that don't.
        LOOK = 100
        FINE = 20
        # Characters of a cell; whoever pasted it knows the rest.
        CELL = 300

        module_function

        # seen: Core::Imports::Preview; imports: Desk::Portfolio::Imports.
        def preview(seen, imports)
          look, fine = seen.lines.partition { |line| look?(line) }
          {
            table: seen.table.table?,
            head: seen.table.head.to_a,
            kinds: seen.kinds,
            counts: seen.counts,
            registrars: registrars(seen, imports),
            unnamed: seen.registrars.fetch(nil, 0),
            questions: seen.questions.map(&:to_h),
            rows: (look.first(LOOK) + fine.first(FINE)).map { |line| row(line) },
            fine: fine.size
          }
        end

        # import: Store::Imports::Import.
        def state(desk, import)
          {
            **import.to_h.slice(:id, :by, :undone_by),
            at: Json.time(import.at),
            undone_at: Json.time(import.undone_at),
            finished: !import.finished_at.nil?,
            accounts: import.accounts.filter_map { |id| desk.accounts.find(id)&.title },
            **far(desk, import.id)
          }
        end

        def far(desk, id)
          far = desk.imports.far(id)
          {
            **far.to_h.slice(:of, :kept, :added, :updated, :looked),
            looking: [far.added, Desk::Portfolio::Imports::LOOKED].min,
            told: desk.imports.told(id),
            refused: far.refused.map { |name, says| { **Json.name(name), says: says } },
            names: desk.imports.added(id, most: FINE).map { |name| Json.name(name) }
          }
        end

        def look?(line) = %i[no_name twice out].include?(line.fate) || line.unread.any?

        def registrars(seen, imports)
          seen
            .registrars
            .except(nil)
            .map do |given, names|
              { given: given, names: names, account: imports.account_like(given)&.id }
            end
        end

        def row(line)
          {
            **line.to_h.slice(:place, :number, :fate),
            cells: line.cells.map { |cell| cell[0, CELL] },
            name: line.name&.ascii,
            says: line.says && Words.text(line.says),
            unread: line.unread.map { |column, wanted| { column: column, wanted: wanted } }
          }
        end
        private_class_method :far, :look?, :registrars, :row
      end
    end
  end
end
