# frozen_string_literal: true

module SteadyMove
  module Web
    # What every answer of the API may use.
    module Helpers
      def application = settings.application
      def desk = application.desk
      def now = desk.now
      def json(data) = content_type(:json) && JSON.generate(data)

      def refuse(problem)
        status problem.status
        env["steady_move.refused"] = problem.key
        content_type "application/problem+json"
        problem.to_json
      end

      # 202: still at work; how far.
      def working(progress, **more)
        status 202
        { working: { done: progress.done, of: progress.of }, **more }
      end

      # A piece of work's result as the block shapes it, or how far it is.
      def work(job)
        raise job.refused if job.refused
        raise Problem.new(500, job.problem) if job.problem

        job.finished? ? yield(job.result) : working(job, job: job.id)
      end

      # A person's own piece of work that goes on behind.
      def work_of(id)
        application.jobs.find(id, by: me) || raise(Desk::Refused.new(:unknown, :no_work))
      end

      def account!(id, member)
        desk.accounts.find(id) || raise(Problem.say(422, :no_account, member: member, given: id))
      end

      # A cursor's parts, as integers; nil where none is given.
      def cursor(text, parts)
        return unless text

        found = text.scan(/(?:\A|(?<=-))-?\d+/).map(&:to_i)
        found.size == parts ? found : raise(Problem.say(422, :cursor, given: text[0, 40]))
      end

      # Who took what out stands in the journal.
      def taken_out(what)
        application.people.note("table_taken", me, what: Words.say(:"web.tables.#{what}"))
      end

      # Something was said or done: the runner looks soon.
      def nudge = application.engine.nudge
    end
  end
end
