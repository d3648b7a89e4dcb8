# frozen_string_literal: true

require "rotp"
require_relative "../test_helper"
require_relative "../support/some_people"

# Second factors (OWASP ASVS 4.0, 2.5 to 2.8). Passkeys are tried in a browser:
# test/browser/sign_in_test.rb.
class FactorsSecurityTest < Minitest::Test
  include SomePeople

  # A second factor by RFC 6238 (codes made by the rotp library): asked for after the password, used
  # once, taken away by an administrator.
  def test_an_authenticator
    mo
    sign_in(MO, MOS)
    assert_equal 200, send_to("/api/second-factor/set-up")
    offered = answer
    assert_match %r{\Aotpauth://totp/Steady%20Move:mo%40saltern.*secret=#{offered["otp_secret"]}},
                 offered["address"]
    assert_includes offered["picture"].delete_prefix("data:image/svg+xml;base64,").unpack1("m"),
                    "<svg"
    secrets = offered.slice("otp_secret", "otp_raw_secret").transform_keys(&:to_sym)
    totp = ROTP::TOTP.new(offered["otp_secret"])
    {
      [MOS, "000000"] => 401,
      ["wrong", totp.now] => 401,
      [MOS, totp.now] => 200
    }.each do |(password, otp), status|
      assert_equal status,
                   send_to("/api/second-factor/set-up", **secrets, password: password, otp: otp)
    end
    refute_includes db[:account_otp_keys].select_map(:key), offered["otp_secret"]
    half_way
    assert_equal [401, "The second factor's code is wanted first."],
                 [get("/api/names").status, answer["detail"]]
    assert_equal 401, send_to("/api/second-factor", otp: "000000")
    db[:account_otp_keys].update(last_use: Time.now - 3600)
    assert_equal 200, send_to("/api/second-factor", otp: totp.now)
    assert_equal [200, true], [get("/api/me").status, answer["second_factor"]]
    elsewhere = people.sessions.begin(id_of(MO))
    assert_equal(
      [401, 200],
      %w[wrong].push(MOS).map { |p| send_to("/api/second-factor/remove", password: p) }
    )
    assert_nil people.sessions.find(id_of(MO), elsewhere), "what was open elsewhere ends"
    assert_equal ["#{MO} set up a second factor.", "#{MO} removed the second factor."],
                 said.grep(/(set up|removed).* factor/).last(2)
  end

  # A recovery code stands in once; an administrator takes all factors away.
  def test_a_lost_device
    mo
    db[:account_otp_keys].insert(id: id_of(MO), key: ROTP::Base32.random)
    assert_raises(SteadyMove::Desk::Refused) { people.new_recovery_codes(id_of(MO), WRONG) }
    codes = people.new_recovery_codes(id_of(MO), MOS)
    assert_equal 10, codes.uniq.size
    refute_includes db[:recovery_codes].select_map(:code).join, codes.first.delete("-")
    half_way
    given =
      [codes.first.upcase, codes.first, codes.last].map do |code|
        half_way
        send_to("/api/second-factor/recovery", "recovery-code": code)
      end
    assert_equal [200, 401, 200], given
    sign_in
    assert_equal 200, send_to("/api/people/#{id_of(MO)}/forget-factor")
    assert_equal 422, send_to("/api/people/#{id_of(MO)}/forget-factor")
    assert_equal 0, db[:recovery_codes].count
    assert_equal [200, 200], [sign_in(MO, MOS), get("/api/names").status]
    assert_includes said, "#{ADA} took the second factor of #{MO} away."
  end

  private

  def half_way
    sign_out
    assert_equal 200, sign_in(MO, MOS)
    assert_equal [false, true],
                 [get("/api/session"), answer].last.values_at("signed_in", "second_factor")
  end
end
