# frozen_string_literal: true

require "yaml"
require "date"

module SteadyMove
  module Desk
    # Reads config/rulebook/*.yml into a Rulebook; a mistake names its file and line.
    module Rulebooks
      module_function

      def load(folder)
        rules = File.join(folder, "rules.yml")
        families = Dir[File.join(folder, "*.yml")] - [rules]
        Core::Readiness::Rulebook.new(rules: { file: "rules.yml", rows: read(rules) },
                                      families: families.map { |f| { file: File.basename(f), row: read(f) } })
      end

      def read(file)
        YAML.safe_load_file(file, permitted_classes: [Date])
      rescue Psych::SyntaxError => e
        raise Core::Readiness::Rulebook::Invalid, "#{File.basename(file)}: line #{e.line}: #{e.problem}"
      end
      private_class_method :read
    end
  end
end
