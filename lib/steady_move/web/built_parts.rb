# frozen_string_literal: true

require "json"

module SteadyMove
  module Web
    # The scripts and styles of a part of the pages, as the build's list of files names them
    # (manifest.json): what a view needs is fetched with the page, not after its first scripts.
    class BuiltParts
      LIST = "manifest.json"

      def initialize(folder)
        @file = File.join(folder, LIST)
        @known = {}
      end

      # source: a part's file below ui/, e.g. "src/views/names/NameList.svelte". Returns addresses
      # below the pages' folder, each once; [] where nothing is known of it.
      def of(source)
        @known[source] ||= File.exist?(@file) ? below(JSON.parse(File.read(@file)), source) : []
      end

      private

      def below(list, source, found = [])
        part = list[source]
        return found if part.nil? || found.include?(part["file"])

        found.push(part["file"], *part["css"])
        part["imports"].to_a.each { |other| below(list, other, found) }
        found.uniq
      end
    end
  end
end
