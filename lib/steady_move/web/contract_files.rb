# frozen_string_literal: true

require "yaml"

module SteadyMove
  module Web
    # The contract lies in config/openapi/, a file an area, and is joined when it is read:
    # bin/contract writes it out for the front end's types.
    module ContractFiles
      FOLDER = File.expand_path("../../../config/openapi", __dir__)

      module_function

      # The whole OpenAPI document as a Hash, with the habits that are declared. Raises
      # ArgumentError where two areas describe the same.
      def join(folder = FOLDER)
        declared = { "Habits" => { "properties" => Core::Accounts::Habits.schema } }
        Dir[File.join(folder, "*.yml")]
          .map { |file| YAML.safe_load_file(file) }
          .push({ "components" => { "schemas" => declared } })
          .reduce { |whole, area| merge(whole, area, []) }
          .tap { |whole| whole["paths"].each_value { |item| answered_later(item) } }
      end

      # What asks the outside may be answered later.
      def answered_later(item)
        item.each_value do |operation|
          next unless operation.is_a?(Hash) && operation.key?("x-outside")

          operation["responses"]["202"] ||= { "$ref" => "#/components/responses/Later" }
        end
      end

      def merge(whole, area, path)
        whole.merge(area) do |key, one, other|
          at = path + [key]
          next merge(one, other, at) if one.is_a?(Hash) && other.is_a?(Hash)

          raise ArgumentError, "config/openapi: “#{at.join(" ")}” is described twice"
        end
      end
    end
  end
end
