# frozen_string_literal: true

require "mail"

module Practice
  # What a registrar's people and pages do on a customer's word, at the counter or by letter. Every
  # method returns a sentence, or raises No.
  class FrontOffice
    class No < StandardError
    end

    LOCK = SteadyMove::Core::Names::Statuses::LOCK
    NEW_CODE = /new authorization code/i
    CODE = /authorization code/i
    # After these the answer holds the codes.
    CODED = [NEW_CODE, CODE].freeze
    # What a letter asks for, by its wording => the act.
    ASKS = {
      /transfer lock off/i => ->(o, name, _, at) { o.lock(name, false, at: at) },
      /transfer lock on/i => ->(o, name, _, at) { o.lock(name, true, at: at) },
      /privacy service off/i => ->(o, name, _, at) { o.privacy(name, false, at: at) },
      /privacy service on/i => ->(o, name, _, at) { o.privacy(name, true, at: at) },
      /(?:take|remove) all DS records/i => ->(o, name, _, at) { o.ds(name, [], at: at) },
      /DS records (?:at|into) the registry(?: again)? \(([^)]+)\)/i => ->(o, name, m, at) do
        o.ds(name, m[1].split(/;\s*/), at: at)
      end,
      /DS records (?:at|into) the registry/i => ->(_, _, _, _) do
        "Please tell us which DS records."
      end,
      /name servers \(([^)]+)\)/i => ->(o, name, m, at) do
        o.name_servers(name, m[1].split(/[;,\s]+/), at: at)
      end,
      /e-?mail of the (administrative contact|registrant) shall be (\S+@[^\s)]+)/i =>
        lambda do |o, name, m, at|
          o.contact(name, m[1].start_with?("a") ? "admin" : "registrant", m[2], at: at)
        end,
      /hand over to the registrar(?: \(([^)]+)\))?/i => ->(o, name, m, at) do
        o.push(name, m[1], at: at)
      end,
      /please renew/i => ->(o, name, _, at) { o.renew(name, at: at) },
      /please release/i => ->(o, name, _, at) { o.release(name, at: at) },
      NEW_CODE => ->(o, name, _, at) { o.new_code(name, at: at) },
      CODE => ->(_, _, _, _) {}
    }.freeze

    def initialize(world, registrar, db, agenda)
      @world = world
      @registrar = registrar
      @db = db
      @agenda = agenda
    end

    def names = @world.registry.domains.where(sponsor: @registrar.id).order(:name).select_map(:name)

    def row(name)
      @world
        .registry
        .find(name)
        .tap { |r| raise No, "#{name} is not in this account." unless r[:sponsor] == @registrar.id }
    rescue Refusal
      raise No, "#{name} is not known here."
    end

    # The row as the registrar keeps it: what it has taken and not passed on is shown as done.
    def kept(name) = row(name) && @registrar.info(name)

    def lock(name, on, at:)
      row(name)
      none = { statuses: [], name_servers: [] }
      set = { statuses: [LOCK], name_servers: [] }
      now = @registrar.update(name, add: on ? set : none, rem: on ? none : set, at: at)
      "The transfer lock of #{name} is #{on ? "on" : "off"}." \
        "#{" The public record shows it later." unless now}"
    rescue Refusal => e
      raise No, "#{name} takes no changes now (#{e.code})."
    end

    def renew(name, at:)
      expires = Time.at(row(name)[:expires_at]).utc.strftime("%F")
      later = @registrar.renew(name, expires, years: 1, at: at)
      "#{name} is renewed until #{Time.at(later[:expires_at]).utc.strftime("%-d %B %Y")}."
    rescue Refusal => e
      raise No, "#{name} can't be renewed now (#{e.code})."
    end

    def privacy(name, on, at:)
      domain = @registrar.habits["privacy"] or raise No, "There is no privacy service here."
      row(name)
      @world.registry.veil(@registrar.id, name, on ? Registrar.alias_of(name, domain) : nil, at: at)
      "The privacy service is #{on ? "on" : "off"} for #{name}."
    end

    # The code on the page, or by mail after its delay.
    def code(name, at:, reason: nil)
      held = row(name)
      habit = @registrar.habits.fetch("code", { "how" => "page" })
      raise No, "Please say why you want the code." if habit["reason"] && reason.to_s.strip.empty?
      if habit["only_public"] && held[:veil]
        raise No,
              "Turn the privacy service off first; the code goes to the contact that the public " \
                "record shows."
      end
      code = @world.registry.code_of(@registrar.id, name, at: at)
      return "The authorization code of #{name} is: #{code}" if habit["how"] == "page"

      address =
        @world.registry.contact(@registrar.id, held[(habit["to"] || "registrant").to_sym])[:email]
      @registrar.write_to(address, :code, name, at + habit.fetch("after", 600), code: code)
      "The authorization code of #{name} is sent to the #{
        if habit["to"] == "admin"
          "administrative " \
            "contact"
        else
          "registrant"
        end
      }."
    end

    def new_code(name, at:)
      row(name)
      code =
        Array.new(16) { "abcdefghjkmnpqrstuvwxyz23456789".chars.sample(random: @world.random) }.join
      @world.registry.update(
        @registrar.id,
        name,
        add: {
          statuses: [],
          name_servers: []
        },
        rem: {
          statuses: [],
          name_servers: []
        },
        auth: code,
        at: at
      )
      "#{name} has a new authorization code."
    end

    def name_servers(name, servers, at:)
      held = row(name)
      raise No, "At least one name server is needed." if servers.empty?

      @registrar.update(
        name,
        add: {
          statuses: [],
          name_servers: servers - held[:name_servers]
        },
        rem: {
          statuses: [],
          name_servers: held[:name_servers] - servers
        },
        at: at
      )
      "The name servers of #{name} are #{servers.join(", ")}."
    end

    # list: DS data as in a zone file; they take the place of all that stood there.
    def ds(name, list, at:)
      row(name)
      none = { statuses: [], name_servers: [] }
      @registrar.update(
        name,
        add: {
          **none,
          ds: list.map(&:strip).reject(&:empty?)
        },
        rem: {
          **none,
          ds: "all"
        },
        at: at
      )
      list.empty? ? "#{name} has no DS records any more." : "The DS records of #{name} are set."
    end

    def contact(name, role, email, at:, opted_out: false)
      raise No, "That is not an email address." unless email.to_s.match?(/\A[^\s@]+@[^\s@]+\z/)

      held = row(name)
      id = role == "admin" ? @world.registry.own_admin(name) : held[:registrant]
      at_once = @registrar.change_contact(id, email: email, at: at, opted_out: opted_out)
      "The email of the #{role == "admin" ? "administrative contact" : "registrant"} of #{name} " \
        "#{at_once ? "is" : "will be"} #{email}.#{" It counts later today." unless at_once}"
    end

    # to: a registrar's name, as the public record has it.
    def push(name, to, at:)
      row(name)
      found = @world.registrars.values.find { |r| r.title.casecmp?(to.to_s.strip) } or
        raise No, "There is no registrar “#{to}”."
      @world.registry.push(@registrar.id, name, found.id, at: at)
      "#{name} is handed over to #{found.title}."
    rescue Refusal => e
      raise No, "#{name} can't be handed over now (#{e.code})."
    end

    def release(name, at:)
      raise No, "No transfer of #{name} is under way." unless @world.registry.pending(name)

      @registrar.end_transfer(name, "approve", at: at)
      "The transfer of #{name} is approved."
    rescue Refusal => e
      raise No, "The transfer of #{name} can't be approved now (#{e.code})."
    end

    # A letter to support: read later.
    def letter(from, raw, at:)
      mail = ::Mail.read_from_string(raw)
      @agenda.add(
        at + @registrar.habits.fetch("reads_after", 3600),
        "support",
        registrar: @registrar.id,
        from: from,
        subject: mail.subject.to_s,
        text: mail.decoded.to_s.dup.force_encoding("UTF-8").scrub,
        ref: mail.message_id
      )
    end

    # Does what the letter asks for the names of this account, and answers; a code takes longer.
    def answer(payload, at:)
      text = payload["text"]
      said, coded = work_through(text, at)
      slow = coded.any? ? @registrar.habits.fetch("code_after", 0) : 0
      codes = coded.map { |n| "#{n}: #{@world.registry.code_of(@registrar.id, n, at: at)}" }
      body = [
        said.empty? ? "We found nothing in your letter that we could do." : said.join("\n"),
        (["The authorization codes that you asked for:", *codes].join("\n") if codes.any?),
        @registrar.title
      ].compact.join("\n\n")
      @world.post.deliver(
        at + slow + 60,
        from: @registrar.habits["support"],
        to: payload["from"],
        subject: "Re: #{payload["subject"]}",
        text: body,
        answers: payload["ref"]
      )
    end

    private

    # Each paragraph asks for one thing and lists its names: [sentences, names whose codes are
    # wanted].
    def work_through(text, at)
      coded = []
      said =
        text
          .split(/\r?\n\r?\n/)
          .flat_map do |paragraph|
            wording, act = ASKS.find { |pattern, _| paragraph.lines.first.to_s.match?(pattern) }
            next [] unless wording

            list = names.select { |n| paragraph.match?(/^\s*#{Regexp.escape(n)}\s*$/) }
            coded |= list if CODED.include?(wording)
            list.filter_map { |n| done(act, n, wording.match(paragraph), at) }
          end
      [said, coded]
    end

    def done(act, name, match, at)
      act.call(self, name, match, at)
    rescue No => e
      e.message
    end
  end
end
