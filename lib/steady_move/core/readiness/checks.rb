# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Rulebook documents looked at before they are relied on: every mistake is a Rulebook::Invalid
      # with its place.
      module Checks
        CHOICES = {
          "code" => %w[needed none registry],
          "lock" => %w[yes none],
          "approval" => %w[registry mail none push]
        }.freeze
        NUMBERS = {
          "years_added" => 0..10,
          "max_years" => 1..10,
          "response_days" => 0..60,
          "auto_renew_grace_days" => 0..90,
          "code_days" => 1..3650
        }.freeze
        SOURCE = %w[text kind verified date].freeze

        module_function

        # Checks one rule of rules.yml. file: its path; row: Hash; index: its place. Raises with
        # file, line and what is expected.
        def entry(file, row, index)
          need(file, row, [index], "id", "title", "effect", "because", "remedy", "source")
          one_of(file, [index, "effect"], row, Rulebook::EFFECTS)
          unless Rules.all.key?(row["id"])
            fail!(file, [index, "id"], "rule #{row["id"]}: no object judges it")
          end
          if row["effect"] == "fix" || row.key?("in_move")
            one_of(file, [index, "in_move"], row, Rulebook::IN_MOVE)
          end
          source(file, [index, "source"], "rule #{row["id"]}", row["source"])

          Rulebook::Entry.new(
            **%w[id title effect because remedy find_out in_move source].to_h do |k|
              [k.to_sym, row[k]]
            end,
            params: row.fetch("params", {}).freeze,
            words: row.fetch("words", {}).freeze,
            soft: row["soft"] == true,
            hard: row["hard"] == true
          ).freeze
        end

        def one_of(file, path, row, allowed)
          given = row[path.last]
          return if allowed.include?(given)

          fail!(
            file,
            path,
            "rule #{row["id"]}: #{path.last} “#{given}” is not one of #{allowed.join(", ")}"
          )
        end

        # Checks one family’s file. entries: {id => rule}. Raises with file, line and what is
        # expected.
        def family(file, row, entries)
          need(
            file,
            row,
            [],
            "id",
            "title",
            "suffixes",
            "years_added",
            "max_years",
            "move_hours",
            "source"
          )
          suffixes(file, row["suffixes"])
          names(file, row, "without", entries.keys)
          names(file, row, "not_known", Family.open_values + entries.keys)
          (CHOICES.keys + NUMBERS.keys).each do |key|
            row.key?(key) && value(key, row[key], file: file)
          end
          source(file, ["source"], row["id"], row["source"])
          row
            .fetch("sources", {})
            .each { |key, s| source(file, ["sources", key], "#{row["id"]}: #{key}", s) }
          hours(file, row["move_hours"])
          known = row.except("without", "generic").transform_keys(&:to_sym)
          Family.build(
            **known,
            rules: entries.keys - row.fetch("without", []) - [Rulebook::UNLISTED],
            lines: entries
          )
        rescue ArgumentError => e
          fail!(file, [], "#{row["id"]}: #{e.message}")
        end

        # A list of rules or values that there are.
        def names(file, row, member, known)
          stray = row.fetch(member, []) - known
          return if stray.empty?

          what = member == "without" ? "rule" : "value"
          fail!(file, [member], "no such #{what}: #{stray.join(", ")}")
        end

        # YAML takes “no” for no text.
        def suffixes(file, list)
          odd = list.find { |suffix| !suffix.is_a?(String) }
          return if odd.nil?

          fail!(file, ["suffixes"], "a suffix in quotation marks is expected, not #{odd}")
        end

        # A family value that is allowed; raises Invalid. Returns it in its right type.
        def value(key, given, file: "override")
          case key
          when *CHOICES.keys
            if CHOICES[key].include?(given)
              given
            else
              fail!(file, [key], "#{key} “#{given}” is not one of #{CHOICES[key].join(", ")}")
            end
          when *NUMBERS.keys
            number(file, key, given, NUMBERS[key])
          when "title"
            if given.to_s.strip.empty?
              fail!(file, [key], "a title is expected")
            else
              given.to_s.strip[0, 80]
            end
          when "presence"
            given.to_s.strip.empty? ? nil : given.to_s
          else
            fail!(
              file,
              [key],
              "“#{key}” is neither a value of a family nor a rule that counts days"
            )
          end
        end

        def number(file, key, given, range)
          number = Integer(given.to_s, 10, exception: false)
          return number if range.cover?(number || -1)

          fail!(
            file,
            [key],
            "#{key} “#{given}” is not a whole number from #{range.min} to #{range.max}"
          )
        end

        # The days that a rule is to count; raises Invalid.
        def days(key, given, entry)
          number = Integer(given.to_s, 10, exception: false)
          return number if entry.params.key?("days") && number&.between?(0, 3650)

          expected =
            entry.params.key?("days") ? "“off” or a number of days from 0 to 3650" : "“off”"
          fail!("override", [key], "#{key} “#{given}”: #{expected} is expected")
        end

        def need(file, row, path, *members)
          fail!(file, path, "a map is expected here, not “#{row}”") unless row.is_a?(Hash)
          lacking = members.reject { |m| row.key?(m) }
          if lacking.any?
            fail!(file, path, "#{row["id"] || "a row"}: #{lacking.join(", ")} missing")
          end
        end

        def source(file, path, whose, given)
          lacking = given.is_a?(Hash) ? SOURCE - given.keys : SOURCE
          fail!(file, path, "#{whose}: source without #{lacking.join(", ")}") if lacking.any?
        end

        def hours(file, given)
          if given.is_a?(Array) && given.size == 3 && given.all?(Numeric) && given.sort == given
            return
          end

          fail!(file, ["move_hours"], "move_hours must be three rising numbers: least, usual, most")
        end

        def fail!(file, path, says) = raise(Rulebook::Invalid.new(file, path, says))
        private_class_method :need, :one_of, :number, :source, :hours, :fail!
      end
    end
  end
end
