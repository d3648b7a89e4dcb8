# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # The form of an account, as the declared habits ask for it.
      module AccountForm
        module_function

        def habits
          Core::Accounts::Habits
            .all
            .select(&:section)
            .sort_by { |h| Core::Accounts::Habits::SECTIONS.index(h.section) }
            .map { |h| field(h) }
        end

        def field(habit)
          {
            id: habit.id,
            path: habit.path,
            kind: habit.kind,
            section: habit.section,
            label: Words.say(habit.words.to_sym),
            of: choices(habit),
            default: habit.default,
            required: habit.required || false
          }
        end

        # What is left open comes first; of ways the form says what that is.
        def choices(habit)
          return [] unless habit.kind == :choice

          open = habit.default || habit.section == "ways" ? [] : [""]
          (open + habit.of).map { |value| [value, Words.say(habit.word_of(value).to_sym)] }
        end
      end
    end
  end
end
