# frozen_string_literal: true

module SteadyMove
  # Who may sign in, from the machine's command line: so that an only administrator who is locked
  # out gets in again. What is done here stands in the journal, by “the command line”.
  class PeopleCommands
    BY = "the command line"
    USAGE =
      "people list | add EMAIL ROLE | role EMAIL ROLE | password EMAIL | unlock EMAIL | " \
        "forget-factor EMAIL | " \
        "end-sessions EMAIL | remove EMAIL"
    # Command => how many words follow it.
    WORDS = {
      "list" => 0,
      "add" => 2,
      "role" => 2,
      "password" => 1,
      "unlock" => 1,
      "forget-factor" => 1,
      "end-sessions" => 1,
      "remove" => 1
    }.freeze

    # Is this a command with its words?
    def self.fits?(command, words) = WORDS[command] == words.size

    # app: Desk::App.
    def initialize(app, out)
      @app = app
      @people = Desk::People::Directory.new(app)
      @out = out
    end

    # Returns 0; raises Desk::Refused.
    def call(command, words)
      send(command.tr("-", "_"), *words)
      0
    end

    private

    def list
      @people.all.each do |p|
        living = @people.sessions.for_person(p[:id]).size
        @out.puts [
                    p[:email],
                    p[:role],
                    p[:second_factor] ? "second factor" : "no second factor",
                    "#{living} #{living == 1 ? "session" : "sessions"}"
                  ].join("\t")
      end
    end

    def add(email, role)
      word = @people.invitations.make(email, role: role, by: BY)
      @out.puts "Within seven days, choose a password at #{link("invited", word)}"
    end

    def role(email, role)
      @people.change_role(person(email)[:id], role, by: BY)
      @out.puts "#{email} is #{role} now."
    end

    def password(email)
      word = @people.password_words.make(person(email)[:id], by: BY)
      @out.puts "Within an hour, choose the new password at #{link("new-password", word)}"
    end

    # Wrong tries so far are forgotten, also by the desk that runs.
    def unlock(email)
      found = person(email)
      @people.factors.forgive(found[:id])
      @app.system_state["unlocked.#{found[:email]}"] = @app.now.to_i
      @people.note("unlocked", BY, email: found[:email])
      @out.puts "#{email} may try again at once."
    end

    def forget_factor(email)
      @people.forget_factor(person(email)[:id], by: BY)
      @out.puts "#{email} signs in with the password alone now."
    end

    def end_sessions(email)
      found = person(email)
      @people.sessions.finish_all(found[:id])
      @people.note("sessions_ended", BY, email: found[:email])
      @out.puts "#{email} is signed in nowhere now."
    end

    def remove(email)
      @people.remove(person(email)[:id], by: BY)
      @out.puts "#{email} may sign in no more. What #{email} did stays in the journal."
    end

    def person(email)
      @people.by_email(email) or raise Desk::Refused.new(:unusable, :nobody_here, email: email)
    end

    def link(page, word)
      host = @app.config.listen.include?(":") ? "[#{@app.config.listen}]" : @app.config.listen
      "#{@app.address || "http://#{host}:#{@app.port}#{@app.config.path}"}/#{page}##{word}"
    end
  end
end
