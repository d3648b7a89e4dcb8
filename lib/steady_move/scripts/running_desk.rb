# frozen_string_literal: true

require "json"
require "net/http"

module SteadyMove
  module Scripts
    # `desk COMMAND`: asks a running desk over its API, with a personal token. Each answer is one
    # JSON object a line.
    class RunningDesk
      # The commands, with what each expects.
      COMMANDS = { "list" => 0, "judge" => 1, "plan" => 1, "start" => 1, "follow" => 1 }.freeze
      ENVIRONMENT = { address: "STEADY_MOVE_DESK", token: "STEADY_MOVE_TOKEN" }.freeze
      # Seconds between two looks of follow.
      PAUSE = 5

      # env: with ENVIRONMENT's names; given: options of the command line; wait: is called between
      # two looks.
      def initialize(given, out:, env: ENV, wait: -> { sleep PAUSE })
        @given = given
        @out = out
        @wait = wait
        @address, @token =
          ENVIRONMENT.values.map { |name| env[name] || raise(Misused, "#{name} is not set") }
      end

      # Returns the exit status; raises Misused.
      def call(command, words)
        count = COMMANDS[command]
        raise Misused, "desk knows these: #{COMMANDS.keys.join(", ")}" unless count
        if words.size != count
          raise Misused,
                "desk #{command} expects #{count == 1 ? "one name or number" : "nothing more"}"
        end

        public_send(command, *words)
      end

      # Every name held, with its gate.
      def list
        offset = 0
        loop do
          page = working { get("/api/names?limit=500&offset=#{offset}&sort=name#{to("&to=")}") }
          page["names"].each do |row|
            say(row.slice("name", "unicode", "account", "gate", "expires_at"))
          end
          offset += page["names"].size
          break if page["names"].empty? || offset >= page["total"]
        end
        0
      end

      # One name's sheet in short. 1 where it can't go now.
      def judge(name)
        sheet = get("/api/names/#{escaped(name)}#{to("?to=")}")
        say(
          sheet.slice(
            "name",
            "verdict",
            "gate",
            "findings",
            "unknown",
            "earliest_start",
            "latest_safe_start"
          )
        )
        sheet.dig("gate", "kind") == "ready" ? 0 : 1
      end

      # What a move would do and cost. 1 where it can't start.
      def plan(name)
        found = post("/api/proposals", move(name))
        say(
          found.slice("name", "from", "to", "startable", "refusals", "cautions", "quote", "finish")
        )
        found["startable"] ? 0 : 1
      end

      # Starts it.
      def start(name)
        say(post("/api/moves", move(name)))
        0
      end

      # A line whenever a move has come further; ends with it: 0 where it settled, 1 where it ended
      # otherwise.
      def follow(id)
        raise Misused, "follow expects a move’s number" unless id.match?(/\A\d+\z/)

        before = nil
        loop do
          now =
            get("/api/moves/#{id}").slice(
              "id",
              "name",
              "stage",
              "turn",
              "sentence",
              "until",
              "finish",
              "open"
            )
          say(now) unless now == before
          before = now
          break now["stage"] == "Settled" ? 0 : 1 unless now["open"]

          @wait.call
        end
      end

      private

      def to(word) = @given[:to] ? "#{word}#{escaped(@given[:to])}" : ""
      def escaped(text) = URI.encode_www_form_component(text)
      def say(object) = @out.puts(JSON.generate(object))

      def move(name)
        { name: name, to: @given[:to] || raise(Misused, "--to ACCOUNT is expected") }
      end

      # Asks again while the desk is still at work.
      def working
        200.times do
          found = yield
          return found unless found.key?("working")

          @wait.call
        end
        raise Misused, "the desk is still at work; try again later"
      end

      def get(path) = ask(Net::HTTP::Get.new(under(path)))

      def post(path, body)
        request = Net::HTTP::Post.new(under(path), "Content-Type" => "application/json")
        request.body = JSON.generate(body)
        arrived(ask(request))
      end

      # Below the path at which the desk is served.
      def under(path) = "#{URI.parse(@address).path.to_s.chomp("/")}#{path}"

      # What asks the outside says where its answer will be.
      def arrived(found)
        200.times do
          place = found["later"] or return found
          @wait.call
          found = ask(Net::HTTP::Get.new(place))
        end
        raise Misused, "the desk is still at work; try again later"
      end

      def ask(request)
        uri = URI.parse(@address)
        unless uri.is_a?(URI::HTTP)
          raise Misused,
                "#{ENVIRONMENT[:address]}: an address such as https://desk.example is expected"
        end

        request["Authorization"] = "Bearer #{@token}"
        answer =
          Net::HTTP.start(
            uri.host,
            uri.port,
            use_ssl: uri.scheme == "https",
            read_timeout: 120
          ) { |http| http.request(request) }
        read(answer)
      rescue SystemCallError, SocketError, Timeout::Error, OpenSSL::SSL::SSLError => e
        raise Misused, "the desk at #{@address} can't be reached (#{e.message})"
      end

      def read(answer)
        found = JSON.parse(answer.body)
        return found if answer.code.to_i < 300

        raise Desk::Refused.new(:not_now, found["detail"].to_s)
      rescue JSON::ParserError
        raise Misused, "what answers at #{@address} is no desk"
      end
    end
  end
end
