# frozen_string_literal: true

require "prometheus/client"
require "prometheus/client/formats/text"

module SteadyMove
  module Web
    # Figures in the Prometheus text format (version 0.0.4): requests as they are answered, all else
    # when it is asked for.
    class Metrics
      # Seconds.
      BUCKETS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10].freeze
      # name => [what it is, its label or nil]
      GAUGES = {
        overdue_steps: ["Steps that are due and not done", nil],
        overdue_seconds: ["Seconds for which the oldest due step has waited", nil],
        steps: ["Steps by outcome since the start", :outcome],
        moves_open: ["Moves under way", nil],
        connection_up: ["1 where a connection answered when it was last asked", :connection],
        connection_last_success_seconds: ["Seconds since a connection last answered", :connection],
        lane_work: ["Pieces of work in hand by lane", :lane],
        lane_stuck_seconds: ["Seconds for which a stuck lane has not answered", :lane],
        mail_messages: ["Messages in the post", nil],
        runner_heartbeat_seconds: ["Seconds since the runner last came round", nil],
        open_streams: ["Open event streams", nil],
        resident_memory_bytes: ["Resident memory", nil],
        database_bytes: ["Size of the database and its journal file", nil],
        disk_free_bytes: ["Room where the data are", nil],
        check_well: ["1 where a check of the desk itself is well", :check]
      }.freeze

      def initialize
        @registry = ::Prometheus::Client::Registry.new
        @requests =
          @registry.counter(
            :steady_move_requests_total,
            docstring: "Requests by status",
            labels: [:status]
          )
        @seconds =
          @registry.histogram(
            :steady_move_request_seconds,
            docstring: "How long answers took",
            buckets: BUCKETS
          )
        @gauges =
          GAUGES.to_h do |name, (what, label)|
            [
              name,
              @registry.gauge(:"steady_move_#{name}", docstring: what, labels: [label].compact)
            ]
          end
        @lock = Mutex.new
      end

      # One request was answered.
      def request(status, seconds)
        @requests.increment(labels: { status: status })
        @seconds.observe(seconds)
      end

      # The text for a scrape. values: {gauge => number, or {label's value => number}}; nil is left
      # out.
      def text(values)
        @lock.synchronize do
          values.each { |name, value| set(name, value) }
          ::Prometheus::Client::Formats::Text.marshal(@registry)
        end
      end

      private

      def set(name, value)
        gauge = @gauges.fetch(name)
        label = GAUGES.fetch(name).last
        return value && gauge.set(value) unless label

        gauge.values.each_key do |labels|
          gauge.set(Float::NAN, labels: labels) unless value.key?(labels[label])
        end
        value.each { |of, number| gauge.set(number, labels: { label => of }) unless number.nil? }
      end
    end
  end
end
