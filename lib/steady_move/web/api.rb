# frozen_string_literal: true

require "sinatra/base"
require "json"

module SteadyMove
  module Web
    # The JSON API. Routes are thin: check the request, call a use case, show its result.
    class Api < Sinatra::Base
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      set :host_authorization, permitted_hosts: []
      disable :static, :protection, :logging

      OPEN = %w[/api/session /api/openapi.json /api/first-run /api/invitations/accept].freeze

      helpers do
        def house = settings.house
        def app_ = house.app
        def now = app_.now
        def json(data) = content_type(:json) && JSON.generate(data)
        def body_as(schema) = house.contract.body(request.body.read, schema)
        # Whoever is signed in with all that is asked of them.
        def person = known && !half_way? ? known : nil
        def half_way? = !known.nil? && !known[:factor].nil? && !SignIn.second_factor_given?(session)
        def known = @known ||= (id = rodauth_id) ? house.people.signed_in(id) : nil
        def rodauth_id = session["account_id"] || session[:account_id]

        # Is the person allowed what the contract keeps for a role?
        def allowed!(operation)
          role = operation["x-role"] or return
          return if Desk::People.may?(person[:role], role)

          raise Problem.new(403, "This needs the role “#{role}”; you are signed in as “#{person[:role]}”.")
        end

        # 202: still at work; how far.
        def working(progress, **more)
          status 202
          json(working: { done: progress.done, of: progress.of }, **more)
        end

        # A job's result as the block shapes it, or how far it is.
        def job(job, &show)
          raise Problem.new(500, job.problem) if job.problem

          job.finished? ? json(show.call(job.result)) : working(job, job: job.id)
        end

        def moves_shown(moves)
          looks = app_.moves.looks
          moves.map { |m| Views::MoveView.card(m, looks, now) }
        end

        def judged(name)
          raise Problem.new(422, "to: there is no account “#{params['to']}”.") if params["to"] && !app_.accounts.find(params["to"])

          Desk::Judging.new(app_).one(name, at: Contract.instant(params["at"]) || now, to: params["to"]) or raise Problem.new(404, "“#{name}” is not on the list of names.")
        end

        def name_sheet(name, problems: [])
          found = judged(name)
          going = Desk::Planning.new(app_).going(found, to: params["to"])
          people = Desk::Contacts.new(app_)
          Views::NameView.sheet(found, app_.journal.of_name(name), problems: problems, go: going, old_after: app_.facts_age)
                         .merge(contacts: Views::NameView.contacts(people.cards(found), people.choices(found)))
        end

        def move_sheet(id)
          move = app_.moves.find(id.to_i) or raise Problem.new(404, "There is no move number #{id}.")
          instructions = Desk::Instructions.new(app_)
          Views::MoveView.sheet(move, app_.moves.looks, now, code_state: app_.keepings.code_state(move.id), hands: ->(state) { Views::HandsView.hand(instructions.of(move, state)) })
        end
      end

      before do
        next if OPEN.include?(request.path_info)
        raise Problem.new(401, half_way? ? "The second factor's code is wanted first." : "Sign in first.") unless person

        operation, given = house.contract.operation(request.request_method.downcase, request.path_info) || raise(Sinatra::NotFound)
        allowed!(operation)
        house.contract.check(operation, given.merge(params))
      end

      error Problem do |e|
        status e.status
        content_type "application/problem+json"
        e.to_json
      end
      error(Desk::Notes::Invalid, Desk::TakingIn::Unreadable) { |e| refuse(422, sentence(e)) }
      error(Desk::Planning::NotStartable, Store::Moves::AlreadyMoving, Desk::Orders::NotNow) { |e| refuse(409, e.message) }
      error(Sinatra::NotFound) { refuse(404, "There is nothing at #{request.path_info}.") }
      error { |e| house.log.error(e) && refuse(500, "Something went wrong here; it was written to the log.") }

      helpers do
        # An error's message as a whole sentence.
        def sentence(error) = "#{error.message.delete_suffix('.')}.".sub(/\A\w/, &:upcase)

        def refuse(code, sentence)
          status code
          content_type "application/problem+json"
          Problem.new(code, sentence).to_json
        end
      end

      register Routes::Session
      register Routes::Listings
      register Routes::TakingIn
      register Routes::Rulebook
      register Routes::Codes
      register Routes::Names
      register Routes::Moves
      register Routes::Hands
      register Routes::Post
      register Routes::Practice
      register Routes::HouseKeeping
    end
  end
end
