# frozen_string_literal: true

module SteadyMove
  module Web
    # Operations that ask the outside (x-outside in the contract) are answered by a worker beside
    # the requests: no request waits for the network. What is quick is answered at once; else the
    # request is told where the answer will be (202 with Location, RFC 9110 §15.3.3), to ask there.
    module Aside
      # An answer that a worker made: what goes out of it once somebody asks.
      Made = Struct.new(:status, :headers, :text)

      # How a connection is found by what was asked.
      LANES = {
        "name" => ->(about) { desk.names.find(about[:name])&.fetch(:account_id) },
        "account" => ->(about) { about[:id] },
        "move" => ->(about) { desk.moves.find(about[:move])&.from_account }
      }.freeze

      # Answers an operation so; the block is run on a copy of this request.
      def aside(operation, &)
        copy = dup
        copy.response = Sinatra::Response.new
        job = application.jobs.start(by: me, of: 1, lane: lane(operation)) { copy.made(&) }
        handed_over(job)
      end

      # What became of it: the answer as it was made, or where to ask again.
      def handed_over(job)
        return later(job) unless job.finished?
        raise job.refused if job.refused
        raise Problem.new(500, job.problem) if job.problem
        raise job.result if job.result.is_a?(Problem)

        status job.result.status
        headers job.result.headers
        job.result.text
      end

      # In the worker: the answer, or the Problem in its place.
      def made(&)
        result = instance_exec(&)
        text = result.is_a?(String) ? result : json(result)
        Made.new(response.status, response.headers.to_h, text)
      rescue Problem => e
        e
      end

      private

      def later(job)
        place = "#{desk.config.path}/api/later/#{job.id}"
        status 202
        headers "Location" => place, "Retry-After" => "1"
        json({ later: place })
      end

      # Whom it waits for: the connection that a name, a move or an account has, else what the
      # contract calls it.
      def lane(operation)
        kind = operation.outside
        place = LANES.key?(kind) ? instance_exec(asked.merge(named), &LANES[kind]) : nil
        place || kind
      end

      # What the body names.
      def named = (given || {}).slice("name", "account", "move").transform_keys(&:to_sym)
    end
  end
end
