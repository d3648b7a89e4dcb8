# frozen_string_literal: true

require_relative "../test_helper"

# Who stands in for a holder in the public record (common practice, no source): what is one for
# sure, what may be one, and what people really write from.
class StandInTest < Minitest::Test
  NAME = "tide-tables.example"
  ADDRESSES = {
    "tide-tables.example@contact.privacy.test" => :likely,
    "k8q2x9v7d4@whoisprotection.test" => :likely,
    "owner7731@data-protected.test" => :likely,
    "redacted@registrar.test" => :likely,
    "tidetablesex@shade.orlop.test" => :likely,
    "tidetablesexample@mail.test" => :perhaps,
    "4f9a1c77e2b08d63@mail.test" => :perhaps,
    "hello@screen.test" => :perhaps,
    "desk@printscreen.test" => :perhaps,
    "hostmaster@tide-tables.example" => nil,
    "privacy@sub.tide-tables.example" => nil,
    "ada@saltern-office.test" => nil,
    "mueller1984@mail.test" => nil,
    "tide@mail.test" => nil,
    "names@discovery.test" => nil,
    "owner@coverdale.test" => nil,
    "info@maskell-ferries.test" => nil,
    "" => nil,
    "REDACTED FOR PRIVACY" => nil
  }.freeze

  def test_what_an_address_looks_like
    ADDRESSES.each do |email, found|
      if found.nil?
        assert_nil Core::Contacts::StandIn.of(email, NAME), email
      else
        assert_equal found, Core::Contacts::StandIn.of(email, NAME), email
      end
    end
  end

  # What a person said of a domain rules over what it looks like; without their word nothing that
  # only may be a service is taken for one, nor for the holder.
  def test_what_was_said_of_a_domain
    none = account({})
    assert_equal [nil, true, nil], said(none)
    assert_equal [true, true, false], said(account({ "privacy" => "screen.test" }))
    own = account({ "own_domains" => ["screen.test"] })
    assert_equal [false, true, nil], said(own)
    assert own.readable?("hello@screen.test", NAME)
    refute none.readable?("hello@screen.test", NAME)
    assert none.readable?("ada@saltern-office.test", NAME)
  end

  def account(habits) = Core::Accounts::Account.new(habits: habits)

  def said(account)
    %w[hello@screen.test redacted@registrar.test ada@saltern-office.test].map do |email|
      account.stands_in(email, NAME)
    end
  end
end
