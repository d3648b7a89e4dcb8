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
        "/moves" => %w[axis accounts batches moves?state=ended forecast],
        "/by-hand" => %w[hands],
        "/ledger" => %w[ledger]
      }.freeze

      # Content codings (RFC 9110 §8.4.1, RFC 7932), the smaller one first, and how a file packed so
      # ends.
      CODINGS = { "br" => "br", "gzip" => "gz" }.freeze

      # A view that is a part of its own comes with the page.
      PARTS = {
        "/" => "src/views/desk/Desk.svelte",
        "/names" => "src/views/names/NameList.svelte",
        "/moves" => "src/views/moves/Moves.svelte",
        "/by-hand" => "src/views/hands/Hands.svelte",
        "/post" => "src/views/post/Post.svelte",
        "/records" => "src/views/records/Records.svelte",
        "/batches" => "src/views/batches/Batches.svelte",
        "/ledger" => "src/views/ledger/Ledger.svelte"
      }.freeze

      # path: under which the desk is served, e.g. "/desk"; it is written into the page, and so is
      # the number of the last change, which the block answers: what the page asks for is newer.
      def initialize(folder, path: "", &seen)
        @seen = seen
        @folder = folder
        @path = path
        @files = Rack::Files.new(folder)
        @parts = BuiltParts.new(folder)
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
        coding, ending =
          CODINGS.find do |coding, ending|
            takes?(env, coding) && File.file?(File.join(@folder, "assets", "#{name}.#{ending}"))
          end
        path = coding ? "/assets/#{name}.#{ending}" : env["PATH_INFO"]
        answer = @files.call(env.merge("PATH_INFO" => path))
        headers = answer[1]
        headers["cache-control"] = "public, max-age=31536000, immutable" if answer[0] == 200
        headers["vary"] = "accept-encoding"
        return answer unless coding

        headers["content-type"] = Rack::Mime.mime_type(File.extname(name))
        headers["content-encoding"] = coding
        answer
      end

      # Is this coding named, and not with a weight of nothing?
      def takes?(env, coding)
        env["HTTP_ACCEPT_ENCODING"]
          .to_s
          .downcase
          .split(",")
          .any? do |named|
            name, weight = named.delete(" ").split(";q=")
            name == coding && (weight.nil? || weight.to_f.positive?)
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
          [page(file, head(env))]
        ]
      end

      # What the page's head says besides, by who asks for it and for which view.
      def head(env)
        return ahead(["session"]) unless SignIn.person_and_key(env["rack.session"] || {}).first

        plain = env["QUERY_STRING"].to_s.empty? # else the view asks for something narrower
        known + ahead(["session", *(FIRST[env["PATH_INFO"]] if plain)]) + parts(env["PATH_INFO"])
      end

      # Up to which change the page knows; where the database does not answer, nothing is said, and
      # the page asks for all of it once more.
      def known
        %(  <meta name="steady-move-seen" content="#{@seen&.call.to_i}" />\n  )
      rescue Sequel::DatabaseError
        ""
      end

      def parts(path)
        @parts
          .of(PARTS[path])
          .map do |file|
            rel = file.end_with?(".css") ? %(rel="preload" as="style") : %(rel="modulepreload")
            %(  <link #{rel} crossorigin href="#{@path}/#{file}">\n  )
          end
          .join
      end

      def ahead(answers)
        answers
          .map do |asked|
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
