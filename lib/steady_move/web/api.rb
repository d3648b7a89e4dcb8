# frozen_string_literal: true

require "sinatra/base"
require "json"

module SteadyMove
  module Web
    # The JSON API. What there is stands in the contract; what answers it, in routes/, under the
    # operation's id. Before an operation is answered it is asked who is there and what is given:
    # one door for all of them.
    class Api < Sinatra::Base
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      set :host_authorization, permitted_hosts: []
      disable :static, :protection, :logging

      ROUTES = [
        Routes::Session,
        Routes::OwnSignIn,
        Routes::Calendars,
        Routes::Overview,
        Routes::Listings,
        Routes::Filters,
        Routes::TakingIn,
        Routes::Rulebook,
        Routes::Codes,
        Routes::Names,
        Routes::Contacts,
        Routes::Records,
        Routes::Accounts,
        Routes::Settings,
        Routes::Moves,
        Routes::Forecast,
        Routes::Following,
        Routes::Closing,
        Routes::ManualSteps,
        Routes::Letters,
        Routes::Batches,
        Routes::Agreements,
        Routes::Post,
        Routes::Practice,
        Routes::Automation,
        Routes::HouseKeeping
      ].freeze

      # {operation id => block that answers it}; its value becomes JSON unless it is text already.
      def self.answers = @answers ||= ROUTES.map(&:answers).reduce(:merge).freeze

      # A class of its own for one application, with a route for each of the contract's operations.
      def self.for(application)
        Class.new(self) do
          set :application, application
          application.contract.operations.each do |operation|
            answer = operation.sign_in ? nil : Api.answers.fetch(operation.id)
            public_send(operation.verb, operation.route) { answered(operation, answer) }
          end
        end
      end

      ROUTES.each { |r| helpers(r::Helpers) if r.const_defined?(:Helpers, false) }
      helpers Helpers, Door, Aside

      error(Problem) { |e| refuse(e) }
      error(Desk::Refused) { |e| refuse(Problem.of(e)) }
      error(Sinatra::BadRequest) { |e| refuse(Problem.say(400, :bad_request, says: e.message)) }
      error(Sinatra::NotFound) { refuse(Problem.say(404, :nothing_here, path: request.path_info)) }
      error do |e|
        application.log.error(e)
        refuse(Problem.unforeseen(e))
      end
    end
  end
end
