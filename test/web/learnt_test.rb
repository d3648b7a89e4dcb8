# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# What is learnt on the way, over the API: a plan that follows it, a sender that becomes known.
class WebLearntTest < Minitest::Test
  include SignedIn

  NAME = "northskerry-crew.example"
  MAIL = <<~EML.gsub("\n", "\r\n").freeze
    Authentication-Results: post.saltern-office.example; dmarc=pass header.from=gannetpost.example
    From: post@gannetpost.example
    Date: Mon, 01 Mar 2027 08:00:00 +0000
    Message-ID: <7@x>
    Subject: About #{NAME}

    Hello.
  EML

  def new_world = BenchWorld.new(names_at: %w[gannet])

  def setup
    super
    sign_in
  end

  def test_a_plan_follows_what_was_learnt
    id = world.start(NAME, to: "orlop")
    gannet = world.app.accounts.find("gannet")
    world.app.accounts.keep_habits(gannet, "ways" => { "code" => "page", "privacy" => "page" })
    get "/api/moves/#{id}"
    told = answer["revision"]
    assert_equal ["code asked for: on its pages, not asked for on its pages, sent by email."], told
    assert_equal 409, send_to("/api/moves/#{id}/revise", told: ["something else"])
    assert_equal 422, send_to("/api/moves/#{id}/revise", told: [])
    assert_equal 200, send_to("/api/moves/#{id}/revise", told: told)
    assert_empty answer["revision"]
    assert_equal 409, send_to("/api/moves/#{id}/revise", told: told)
  end

  def test_a_sender_becomes_known
    id = SteadyMove::Desk::Mail::PostRoom.new(world.app).drop(MAIL, by: "ada")
    get "/api/post"
    asked = answer["messages"].first["asks_sender"]
    assert_equal ["gannetpost.example", true, ["gannet"]],
                 [asked["domain"], asked["proven"], asked["accounts"].map { |a| a["id"] }]
    assert_equal 422, send_to("/api/post/#{id}/sender", account: "orlop")
    assert_equal 200, send_to("/api/post/#{id}/sender", account: "gannet")
    assert_nil answer["messages"].first["asks_sender"]
    assert_includes world.app.accounts.find("gannet").sender_domains, "gannetpost.example"
  end
end
