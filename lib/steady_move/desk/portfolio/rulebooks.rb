# frozen_string_literal: true

require "yaml"
require "date"

module SteadyMove
  module Desk
    module Portfolio
      # Reads config/rulebook/*.yml into a Rulebook; a mistake names its file and line.
      module Rulebooks
        Invalid = Core::Readiness::Rulebook::Invalid

        # {[file, when it was written] of each => Rulebook}: read once.
        @kept = {}

        module_function

        # folder: with rules.yml and a file for each family. Returns what they say, read anew when
        # one of them changed. Raises Invalid.
        def load(folder)
          files = Dir[File.join(folder, "*.yml")]
          @kept[files.map { |file| [file, File.mtime(file)] }] ||= whole_of(folder)
        end

        def whole_of(folder)
          rules = File.join(folder, "rules.yml")
          families = Dir[File.join(folder, "*.yml")] - [rules]
          Core::Readiness::Rulebook.new(
            rules: {
              file: "rules.yml",
              rows: read(rules)
            },
            families: families.map { |f| { file: File.basename(f), row: whole(read(f)) } }
          )
        rescue Invalid => e
          raise e if e.path.nil?

          raise Invalid.new(
                  "#{e.file}: line #{line(File.join(folder, e.file), e.path)}",
                  nil,
                  e.message.delete_prefix("#{e.file}: ")
                )
        end

        # A family that says so holds every generic suffix, but those that another names are taken
        # from it below.
        def whole(row)
          return row unless row.is_a?(Hash) && row["generic"]

          row.except("generic").merge("suffixes" => row["suffixes"] | GenericSuffixes.all)
        end

        def read(file)
          YAML.safe_load_file(file, permitted_classes: [Date])
        rescue Psych::SyntaxError => e
          raise Invalid.new(File.basename(file), nil, "line #{e.line}: #{e.problem}")
        end

        # The line at which a path's value, or the nearest thing above it, stands.
        def line(file, path)
          node = YAML.parse_file(file).root
          path.each { |key| node = below(node, key) || (return node.start_line + 1) }
          node.start_line + 1
        end

        def below(node, key)
          return node.children[key] if key.is_a?(Integer)
          return unless node.is_a?(Psych::Nodes::Mapping)

          node.children.each_slice(2).find { |k, _| k.value == key }&.last
        end
        private_class_method :read, :whole, :line, :below
      end
    end
  end
end
