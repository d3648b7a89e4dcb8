# frozen_string_literal: true

require "rack/files"

module SteadyMove
  module Web
    # The built front end; any path that is no file gets index.html, so that every view has an
    # address.
    class Pages
      # What a view asks for first, for whoever is signed in: the browser fetches it while it reads
      # the scripts (HTML, link type "preload"). Just as the view asks for it, or it is fetched
      # twice.
      FIRST = {
        "/" => %w[desk accounts hands],
        "/names" => %w[names?offset=0&limit=100 accounts],
        "/moves" => %w[axis accounts batches moves?state=ended forecast]
      }.freeze

      # path: under which the desk is served, e.g. "/desk"; it is written into the page.
      def initialize(folder, path: "")
        @folder = folder
        @path = path
        @files = Rack::Files.new(folder)
      end

      def call(env)
        return 405, {}, [] unless %w[GET HEAD].include?(env["REQUEST_METHOD"])

        path = env["PATH_INFO"]
        return asset(env, File.basename(path)) if path.start_with?("/assets/")
        if path != "/" && File.file?(File.join(@folder, File.basename(path))) &&
             File.dirname(path) == "/"
          return @files.call(env)
        end

        index(env)
      end

      private

      # As it was packed when the pages were built, for whoever takes it so (RFC 9110 §12.5.3).
      def asset(env, name)
        packed = gzip?(env) && File.file?(File.join(@folder, "assets", "#{name}.gz"))
        answer = @files.call(packed ? env.merge("PATH_INFO" => "/assets/#{name}.gz") : env)
        headers = answer[1]
        headers["cache-control"] = "public, max-age=31536000, immutable" if answer[0] == 200
        headers["vary"] = "accept-encoding"
        return answer unless packed

        headers["content-type"] = Rack::Mime.mime_type(File.extname(name))
        headers["content-encoding"] = "gzip"
        answer
      end

      # Named, and not with a weight of nothing.
      def gzip?(env)
        env["HTTP_ACCEPT_ENCODING"]
          .to_s
          .downcase
          .split(",")
          .any? do |coding|
            name, weight = coding.delete(" ").split(";q=")
            name == "gzip" && (weight.nil? || weight.to_f.positive?)
          end
      end

      def index(env)
        file = File.join(@folder, "index.html")
        unless File.exist?(file)
          return [
            503,
            { "content-type" => "text/plain; charset=utf-8" },
            ["The front end is not built yet: run bin/demo or bin/test once."]
          ]
        end

        [
          200,
          { "content-type" => "text/html; charset=utf-8", "cache-control" => "no-cache" },
          [page(file, ahead(env))]
        ]
      end

      def ahead(env)
        plain = env["QUERY_STRING"].to_s.empty? # else the view asks for something narrower
        views =
          (
            if plain && SignIn.person_and_key(env["rack.session"] || {}).first
              FIRST[env["PATH_INFO"]]
            else
              nil
            end
          )
        ["session", *views].map do |asked|
            href = Rack::Utils.escape_html("#{@path}/api/#{asked}")
            %(  <link rel="preload" as="fetch" crossorigin href="#{href}">\n  )
          end
          .join
      end

      # The page is built with addresses that begin with "./"; they are the desk's own path's.
      def page(file, ahead)
        meta = %(<meta name="steady-move-path" content="#{@path}" />)
        own = File.read(file).gsub(%r{(href|src)="\./}) { %(#{Regexp.last_match(1)}="#{@path}/) }
        own.sub("<head>", "<head>\n    #{meta}").sub("</head>", "#{ahead}</head>")
      end
    end
  end
end
