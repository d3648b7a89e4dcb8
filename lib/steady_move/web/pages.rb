# frozen_string_literal: true

require "rack/files"

module SteadyMove
  module Web
    # The built front end; any path that is no file gets index.html, so that every view has an address.
    class Pages
      # path: under which the desk is served, e.g. "/desk"; it is written into the page.
      def initialize(folder, path: "")
        @folder = folder
        @path = path
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

        [200, { "content-type" => "text/html; charset=utf-8", "cache-control" => "no-cache" }, [page(file)]]
      end

      # The page is built with addresses that begin with "./"; they are the desk's own path's.
      def page(file)
        meta = %(<meta name="steady-move-path" content="#{@path}" />)
        own = File.read(file).gsub(%r{(href|src)="\./}) { %(#{Regexp.last_match(1)}="#{@path}/) }
        own.sub("<head>", "<head>\n    #{meta}")
      end
    end
  end
end
