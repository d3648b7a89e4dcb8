# frozen_string_literal: true

module SteadyMove
  module Web
    # What every answer of the API may use.
    module Helpers
      def application = settings.application
      def desk = application.desk
      def now = desk.now
      # The operation's body and its parameters, checked.
      attr_reader :given, :asked

      def json(data) = content_type(:json) && JSON.generate(data)

      # Whoever is signed in with all that is asked of them.
      def person = known && !half_way? ? known : nil
      def half_way? = !known.nil? && !known[:factor].nil? && !SignIn.second_factor_given?(session)
      def known = @known ||= (id = SignIn.person_id(session)) ? application.people.signed_in(id) : nil
      def me = person[:email]

      # The door: who is there, what is given; then the answer.
      def answered(operation, answer)
        return signed(operation) if operation.sign_in

        admit(operation) unless operation.open
        @asked = application.contract.check(operation, params)
        @given = operation.body && application.contract.body(request.body.read, operation)
        result = instance_exec(&answer)
        [String, Hub::Stream].any? { |kind| result.is_a?(kind) } ? result : json(result)
      end

      # What the sign-in answers itself; what comes in is checked here all the same.
      def signed(operation)
        text = request.body.read
        application.contract.body(text, operation) if operation.body
        halt(application.sign_in.call(env.merge("rack.input" => StringIO.new(text))))
      end

      def admit(operation)
        raise Problem.say(401, half_way? ? :factor_first : :sign_in_first) unless person
        return if operation.role.nil? || Desk::People.may?(person[:role], operation.role)

        raise Problem.say(403, :role, role: operation.role, yours: person[:role])
      end

      def refuse(problem)
        status problem.status
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
        raise Problem.new(500, job.problem) if job.problem

        job.finished? ? yield(job.result) : working(job, job: job.id)
      end

      # A person's own piece of work that goes on behind.
      def work_of(id) = application.jobs.find(id, by: me) || raise(Desk::Refused.new(:unknown, :no_work))

      def account!(id, member)
        desk.accounts.find(id) || raise(Problem.say(422, :no_account, member: member, given: id))
      end

      # A cursor's parts, as integers; nil where none is given.
      def cursor(text, parts)
        return unless text

        found = text.split("-n").join("-").scan(/-?\d+/).map(&:to_i)
        found.size == parts ? found : raise(Problem.say(422, :cursor, given: text[0, 40]))
      end

      # Something was said or done: the runner looks soon.
      def nudge = application.engine.nudge
    end
  end
end
