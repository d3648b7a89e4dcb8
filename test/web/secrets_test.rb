# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# A whole move with known secrets; afterwards none of them stands anywhere but in the sealed
# columns.
class SecretsTest < Minitest::Test
  include SignedIn

  NAME = "saltern-isles.example"

  def secrets
    scenario = world.world.scenario
    [
      @code,
      Practice::DeskSide::Desk::PASSWORD,
      scenario.mailbox["password"],
      *scenario.registrars.values.map { |r| r["password"] },
      *scenario.hosts.values.map { |h| h.dig("key", "secret") }
    ].compact
  end

  def watch(text, where)
    secrets.each { |s| refute_includes text, s, "a secret stands in #{where}" }
  end

  # Every page of the API that shows anything of the move.
  def look_around(id)
    [
      "/api/moves/#{id}",
      "/api/moves",
      "/api/desk",
      "/api/names",
      "/api/names/#{NAME}",
      "/api/accounts",
      "/api/post",
      "/api/status",
      "/api/session",
      "/api/settings",
      "/api/people",
      "/api/practice"
    ].each do |path|
      get path
      assert_equal 200, last_response.status, path
      watch(last_response.body + last_response.headers.to_s, path)
    end
  end

  def test_no_secret_is_told_anywhere
    @code = world.world.registry.find(NAME)[:auth_info]
    sign_in
    send_to("/api/moves", name: NAME, to: "orlop", host: "lanternroom")
    id = answer["id"]
    world.runner.pass
    world.until_true { world.move(id).state["release"].active? }
    look_around(id)
    world.link.fault("answer-orlop-info", "2202")
    send_to("/api/moves/#{id}/look")
    send_to("/api/moves/#{id}/approve")
    world.link.fault("answer-orlop-info", nil)
    world.until_true { !world.move(id).open }
    look_around(id)

    watch(@log.string, "the log")
    watch(world.app.db[:events].all.to_s, "the journal")
    Dir[File.join(world.folder, "desk", "*")].each do |f|
      watch(File.binread(f), File.basename(f)) unless f.end_with?(".key")
    end
    watch(world.app.accounts.all.inspect + world.app.inspect + house.inspect, "an inspected object")
  end
end
