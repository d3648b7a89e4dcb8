# frozen_string_literal: true

require "rack/test"
require "stringio"
require_relative "bench_world"
require_relative "described"
require_relative "no_waiting"

# The web application over rack-test, with somebody signed in.
module SignedIn
  include Rack::Test::Methods

  # Seconds: what asks the outside is answered at once here, however busy the machine is.
  PATIENT = 120

  attr_reader :app, :world, :house

  def setup
    @world = new_world
    @house =
      world.desk.application(log: SteadyMove::Web::Log.new(@log = StringIO.new), patience: PATIENT)
    @app = Described.new(house.rack, journal: world.app.db[:events], contract: house.contract)
  end

  def new_world = BenchWorld.new
  def teardown = world.close
  def answer = JSON.parse(last_response.body)

  # Takes the session's token for what follows.
  def take_token
    get "/api/session"
    header "X-CSRF-Token", answer["csrf"]
    header "Content-Type", "application/json"
  end

  def sign_in(
    email = Practice::DeskSide::Desk::EMAIL,
    password = Practice::DeskSide::Desk::PASSWORD
  )
    take_token
    post "/api/sign-in", { email: email, password: password }.to_json
    status = last_response.status
    take_token
    confirm(password) if status == 200
    status
  end

  # The password once more, for what weighs much; returns the status.
  def confirm(password) = send_to("/api/me/confirm", password: password)

  def sign_out
    post "/api/sign-out", "{}"
    take_token
  end

  # Posts a Hash; returns the status.
  def send_to(path, **body)
    post path, body.to_json
    last_response.status
  end
end
