# frozen_string_literal: true

require "yaml"

module Practice
  # The faults that a person can switch on, as scenario/faults.yml lists them: those of the world,
  # of each registrar with a connection, of each DNS host.
  module Faults
    ROWS = YAML.safe_load_file(File.join(__dir__, "scenario", "faults.yml")).freeze

    module_function

    # Returns [{id:, says:, detail: or nil}].
    def offered(scenario)
      connected = scenario.registrars.reject { |_, row| row["kind"] == "by_hand" }
      places = { "world" => { "" => {} }, "connection" => connected, "host" => scenario.hosts }
      places.flat_map do |of, all|
        rows = ROWS.select { |row| row["of"] == of }
        all.flat_map { |id, place| rows.map { |row| fault(row, id, place["title"]) } }
      end
    end

    def fault(row, id, title)
      values = { id: id, title: title }
      { id: format(row["id"], values), says: format(row["says"], values), detail: row["detail"] }
    end
  end
end
