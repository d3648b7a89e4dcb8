# frozen_string_literal: true

require "net/http"
require "json"
require "time"

module Practice
  module DeskSide
    # The desk's line to a practice world's control API. Only the demo and the tests have one.
    class Link
      # Beyond this the practice world is not there.
      class Away < StandardError
      end

      # endpoints: what the world published (see Ports#publish).
      def initialize(endpoints)
        @port = endpoints.fetch("ports").fetch("http")
      end

      def state = call(:get, "state")
      def log = call(:get, "log")
      def move_to(time) = call(:post, "clock", to: time.utc.iso8601)
      def fault(id, detail) = call(:post, "faults", id: id, detail: detail)
      def let_happen(id) = call(:post, "happenings", id: id)
      def change(name, change) = call(:post, "scene", name: name, change: change)

      private

      def call(verb, path, **body)
        http = Net::HTTP.new("127.0.0.1", @port)
        answer =
          http.start do |h|
            if verb == :get
              h.get("/control/#{path}")
            else
              h.post("/control/#{path}", body.to_json, "Content-Type" => "application/json")
            end
          end
        raise ArgumentError, answer.body unless answer.code == "200"

        JSON.parse(answer.body)
      rescue SystemCallError, IOError, Net::OpenTimeout => e
        raise Away, "the practice world does not answer (#{e.message})"
      end
    end
  end
end
