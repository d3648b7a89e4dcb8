# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Is it the same registrar? By IANA's number where both are known, else by name.
      module Registrars
        # Parts of a company's name that say nothing.
        FORMS =
          /\b(?:inc|ltd|llc|gmbh|ag|sa|s\.?a\.?r\.?l|b\.?v|co|corp(?:oration)?|limited|company|plc|
            kg|oy|ab|as|
                 srl|spa)\b\.?/ix

        module_function

        # one, other: {name:, number:}, where nil is not known. Returns true, false, or nil where it
        # can't be told.
        #   Readiness::Registrars.same?({ name: "Tide Names, Inc." }, { name: "TIDE NAMES" })
        #     # => true
        #   Readiness::Registrars.same?({ name: "Tide", number: "7" }, { name: "Tide", number: "8" })
        #     # => false
        def same?(one, other)
          numbers = [one, other].map { |r| r[:number].to_s.strip.sub(/\A0+/, "") }
          return numbers.uniq.one? if numbers.none?(&:empty?)

          names = [one, other].map { |r| plain(r[:name]) }
          names.uniq.one? unless names.any?(&:empty?)
        end

        # Is a registrar with several names, and a number or none, the one that a record shows? As
        # `same?`: the number decides, else any of the names. names: texts, some may be nil.
        #   Readiness::Registrars.any_same?(["Tide", "Tide Names"], nil, { name: "Tide Names Ltd" })
        #     # => true
        def any_same?(names, number, other)
          told = names.compact.map { |name| same?({ name: name, number: number }, other) }
          [true, false].find { |answer| told.include?(answer) }
        end

        def plain(name)
          name
            .to_s
            .unicode_normalize(:nfkc)
            .downcase
            .gsub(FORMS, " ")
            .gsub(/[^\p{L}\p{N}]+/, " ")
            .strip
        end
        private_class_method :plain
      end
    end
  end
end
