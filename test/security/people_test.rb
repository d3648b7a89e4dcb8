# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/some_people"

# People, sessions, invitations, passwords and second factors, held against OWASP ASVS 4.0, chapters
# 2 to 4.
class PeopleSecurityTest < Minitest::Test
  include SomePeople

  def cookie = Rack::Utils.escape(rack_mock_session.cookie_jar.to_hash.fetch("steady_move"))

  # Does a copied cookie still open the door?
  def opens?(copied)
    Rack::MockRequest.new(app).get("/api/me", "HTTP_COOKIE" => "steady_move=#{copied}").status ==
      200
  end

  # What ends a person's session: what is done, by whom it is done (nil: by that person).
  ENDINGS = {
    "signing out" => :sign_out.to_proc,
    "a change of role" => ->(t) { t.people.change_role(t.id_of(MO), "viewer", by: ADA) },
    "removal" => ->(t) { t.people.remove(t.id_of(MO), by: ADA) },
    "another password" => ->(t) do
      t.people.change_password(t.id_of(MO), MOS, "eleven grey herons")
    end,
    "a reset" =>
      lambda do |t|
        words = t.people.password_words
        words.use(words.make(t.id_of(MO), by: ADA), "#{MOS} o'clock")
      end,
    "an end from elsewhere" => ->(t) { t.people.sessions.finish_all(t.id_of(MO)) },
    "twelve hours" => ->(t) { t.db[:sessions].update(began_at: Time.now.to_i - (12 * 3600)) },
    "half an hour without use" => ->(t) { t.db[:sessions].update(seen_at: Time.now.to_i - 1800) }
  }.freeze

  def test_a_copied_cookie_lives_no_longer_than_its_session
    mo
    ENDINGS.each do |what, act|
      mo unless people.email?(MO)
      db[:people].where(email: MO).update(password_hash: people.passwords.hash(MOS))
      assert_equal 200, sign_in(MO, MOS), what
      copied = cookie
      assert opens?(copied)
      act.call(self)
      refute opens?(copied), "after #{what}"
      clear_cookies
    end
  end

  # Signing in always begins a session of its own; a page that only looks after itself keeps nobody
  # signed in.
  def test_sessions_are_rows
    sign_in
    first = cookie
    assert opens?(first)
    keys = db[:sessions].select_map(:digest)
    sign_in
    refute_equal keys, db[:sessions].select_map(:digest)
    refute opens?(first), "the session of before ended with the new sign-in"
    db[:sessions].update(seen_at: Time.now.to_i - 1000)
    header "X-Unattended", "1"
    get "/api/names"
    assert_operator db[:sessions].get(:seen_at), :<, Time.now.to_i - 900
    header "X-Unattended", nil
    get "/api/names"
    assert_operator db[:sessions].get(:seen_at), :>, Time.now.to_i - 100
    refute_includes db[:sessions].get(:digest), cookie
  end

  def test_a_person_sees_and_ends_sessions
    mo
    elsewhere = people.sessions.begin(id_of(MO), agent: "elsewhere", address: "192.0.2.9")
    other = people.sessions.begin(id_of(ADA), agent: "ada's", address: "192.0.2.10")
    sign_in(MO, MOS)
    get "/api/me"
    assert_equal([true, false], answer["sessions"].map { |s| s["this"] })
    foreign = people.sessions.find(id_of(ADA), other)[:id]
    assert_equal 404, send_to("/api/me/sessions/#{foreign}/end"), "nobody ends another's"
    assert_equal 200,
                 send_to("/api/me/sessions/#{people.sessions.find(id_of(MO), elsewhere)[:id]}/end")
    assert_equal 1, answer["sessions"].size
    people.sessions.begin(id_of(MO))
    assert_equal [200, 1], [send_to("/api/me/sessions/end-others"), answer["sessions"].size]
    assert people.sessions.find(id_of(ADA), other)
  end

  def test_another_password_is_wanted_with_the_old_one_and_ends_the_other_sessions
    mo
    elsewhere = people.sessions.begin(id_of(MO))
    sign_in(MO, MOS)
    before = cookie
    assert opens?(before)
    assert_equal 422, send_to("/api/me/password", old: WRONG, new: "eleven grey herons")
    assert_equal 200, send_to("/api/me/password", old: MOS, new: "eleven grey herons")
    assert_equal 200, get("/api/me").status, "whoever changed it stays signed in"
    refute opens?(before)
    assert_nil people.sessions.find(id_of(MO), elsewhere)
    sign_out
    assert_equal [401, 200], [sign_in(MO, MOS), sign_in(MO, "eleven grey herons")]
  end

  # Passwords => part of the refusal, nil where they are good. The lists are zxcvbn's.
  PASSWORDS = {
    "short" => "at least 12",
    "elevenchars" => "at least 12",
    "x" * 257 => "longer than 256",
    "password1234" => "among the first",
    "123456789012" => "among the first",
    "qwertyuiop123" => "among the first",
    "passwordpassword" => "among the first",
    "aaaaaaaaaaaa" => "among the first",
    "P@ssw0rd1234" => "among the first",
    "mo@saltern-office" => "among the first",
    "steadymove12" => "among the first",
    "three grey herons" => nil,
    "Fünf graue Reiher" => nil,
    "mover-of-names-27" => nil,
    "x7Kq!mZ2vPw9" => nil
  }.freeze

  def test_passwords
    PASSWORDS.each do |password, says|
      next people.passwords.check(password, email: MO) unless says

      refused =
        assert_raises(SteadyMove::Desk::Refused, password) do
          people.passwords.check(password, email: MO)
        end
      assert_includes refused.message, says
    end
  end

  # bcrypt reads 72 octets; hashes of earlier versions are made anew when their password opens the
  # door.
  def test_nothing_of_a_password_is_cut_off_and_old_hashes_are_renewed
    long = "a long way round the marsh, " * 4
    people.put("lo@y.example", long, role: "viewer")
    assert_equal [401, 200], [sign_in("lo@y.example", long[0, 80]), sign_in("lo@y.example", long)]
    mo
    old = BCrypt::Password.create(MOS, cost: 4)
    db[:people].where(email: MO).update(password_hash: old)
    sign_out
    assert_equal [401, 200], [sign_in(MO, WRONG), sign_in(MO, MOS)]
    assert people.passwords.current?(db[:people].where(email: MO).get(:password_hash))
    sign_out
    assert_equal 200, sign_in(MO, MOS)
  end

  # What an invitation does, and what ends it.
  def test_invitations
    first = people.invitations.make("bo@y.example", role: "approver", by: ADA)
    word = people.invitations.make("Bo@y.example", role: "viewer", by: ADA)
    take_token
    assert_equal 422,
                 send_to("/api/invitations/accept", word: first, password: MOS),
                 "a newer one ended it"
    refute_includes db[:invitations].select_map(:token_digest), word
    assert_equal 422, send_to("/api/invitations/accept", word: word, password: "short")
    assert_equal 200, send_to("/api/invitations/accept", word: word, password: MOS)
    assert_equal 422, send_to("/api/invitations/accept", word: word, password: MOS), "it works once"
    assert_equal [200, "viewer"],
                 [sign_in("bo@y.example", MOS), get("/api/session") && answer["role"]]
    assert_raises(SteadyMove::Desk::Refused) do
      people.invitations.make(ADA, role: "viewer", by: ADA)
    end
    late = people.invitations.make("late@y.example", role: "viewer", by: ADA)
    back = people.invitations.make("back@y.example", role: "viewer", by: ADA)
    people.invitations.take_back("back@y.example", by: ADA)
    world.driver.move_on(to: world.app.now + (7 * 86_400))
    [late, back].each do |w|
      assert_raises(SteadyMove::Desk::Refused) { people.invitations.accept(w, MOS) }
    end
  end

  # One who is there by now is neither raised nor given another password.
  def test_an_invitation_changes_nobody_who_is_there
    word = people.invitations.make(MO, role: "administrator", by: ADA)
    mo("viewer")
    assert_raises(SteadyMove::Desk::Refused) do
      people.invitations.accept(word, "eleven grey herons")
    end
    assert_equal [200, "viewer"], [sign_in(MO, MOS), get("/api/session") && answer["role"]]
  end

  def test_a_forgotten_password
    mo
    word = people.password_words.make(id_of(MO), by: ADA)
    newer = people.password_words.make(id_of(MO), by: ADA)
    take_token
    assert_equal 422, send_to("/api/password/new", word: word, password: "eleven grey herons")
    assert_equal 422, send_to("/api/password/new", word: newer, password: "short")
    assert_equal 200, send_to("/api/password/new", word: newer, password: "eleven grey herons")
    assert_equal 422, send_to("/api/password/new", word: newer, password: MOS)
    assert_equal 200, sign_in(MO, "eleven grey herons")
    late = people.password_words.make(id_of(MO), by: ADA)
    world.driver.move_on(to: world.app.now + 3601)
    assert_raises(SteadyMove::Desk::Refused) { people.password_words.use(late, MOS) }
  end

  # The mail, and the same answer for one who isn't here.
  def test_a_link_by_mail
    mo
    take_token
    answers =
      [MO, "nobody@y.example"].map do |e|
        [send_to("/api/password/forgotten", email: e), last_response.body]
      end
    assert_equal 1, answers.uniq.size
    assert_equal 202, answers.first.first
    people.password_words.mail(MO, address: "http://desk.example/new-password")
    assert_equal 1, said.grep(/had a link made/).size, "one mail in ten minutes"
  end

  # What somebody does to their own ways in => the key of the line that it leaves.
  LINES = {
    ["/api/me/notices", { choice: "daily", hour: 8 }] => "notices_daily",
    ["/api/me/notices", { choice: "at-once" }] => "notices_at_once",
    ["/api/me/notices", { choice: "never" }] => "notices_never",
    ["/api/me/calendar", {}] => "calendar_made",
    ["/api/me/calendar/end", {}] => "calendar_ended",
    ["/api/me/sessions/end-others", {}] => "own_sessions_ended",
    ["/api/sign-out", {}] => "signed_out"
  }.freeze

  def test_every_change_of_the_ways_in_leaves_a_line_with_who
    world.app.define_singleton_method(:sender) { Object.new }
    sign_in
    assert_equal "journal.signed_in", newest.phrase.key
    LINES.each do |(path, body), key|
      before = newest.seq
      assert_includes [200, 201], send_to(path, **body), "#{path} #{last_response.body}"
      assert_equal [before + 1, "journal.#{key}", ADA],
                   [newest.seq, newest.phrase.key, newest.by],
                   path
    end
  end

  def newest = world.app.journal.page(limit: 1).first
end
