# frozen_string_literal: true

require "rack/files"

module SteadyMove
  module Web
    # The built front end; any path that is no file gets index.html, so that every view has an address.
    class Pages
      def initialize(folder)
        @folder = folder
        @files = Rack::Files.new(folder)
      end

      def call(env)
        return [405, {}, []] unless %w[GET HEAD].include?(env["REQUEST_METHOD"])

        path = env["PATH_INFO"]
        if path.start_with?("/assets/")
          return @files.call(env).tap do |r|
            r[1]["cache-control"] = "public, max-age=31536000, immutable" if r[0] == 200
          end
        end
        return @files.call(env) if path != "/" && File.file?(File.join(@folder,
          File.basename(path))) && File.dirname(path) == "/"

        index
      end

      private

      def index
        file = File.join(@folder, "index.html")
        unless File.exist?(file)
          return [503, { "content-type" => "text/plain; charset=utf-8" },
            ["The front end is not built yet: run bin/demo or bin/test once."]]
        end

        [200, { "content-type" => "text/html; charset=utf-8", "cache-control" => "no-cache" }, [File.read(file)]]
      end
    end
  end
end
