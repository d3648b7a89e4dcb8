# frozen_string_literal: true

require "monitor"
require "time"

module Practice
  # Everything in one place: clock, registry, registrars, DNS hosts, mailbox, faults. One thing
  # happens at a time.
  class World
    attr_reader :registry, :registrars, :hosts, :post, :scenario, :random, :faults, :site

    # folder: where the database and the certificate live; scenario: Scenario; rate: of the clock
    # (1, or 0 standing). site: where its pages are, without a slash at the end.
    def initialize(folder, scenario, rate: 1, site: nil)
      @lock = Monitor.new
      @db = Database.open(File.join(folder, "practice.sqlite3"))
      @scenario = scenario
      @faults = @db[:faults].select_hash(:id, :detail).freeze
      @clock = Clock.new(@db, start: scenario.start, rate: rate)
      @agenda = Agenda.new(@db)
      @random = Random.new(scenario.seed + 1)
      @post =
        Post::Office.new(
          @db,
          @agenda,
          mailbox: scenario.mailbox["login"],
          server: scenario.mailbox["server"],
          readers: scenario.readers
        )
      @registry =
        Registry.new(
          @db,
          @agenda,
          random: Random.new(scenario.seed),
          **scenario.registry.slice("by_mail", "at_once", "pushed").transform_keys(&:to_sym)
        )
      @registrars =
        scenario.registrars.to_h do |id, row|
          [
            id,
            Registrar.new(id, row, registry: @registry, agenda: @agenda, post: @post, site: site)
          ]
        end
      @site = site
      @hosts = scenario.hosts.to_h { |id, row| [id, Dns::Host.new(id, row, @db)] }
      @registry.listen { |event, row, at| heard(event, row, at) }
      scenario.fill(self) if @registry.names.empty?
    end

    def now = @clock.now
    # What a registrar's people do on a customer's word.
    def front_office(id) = FrontOffice.new(self, @registrars.fetch(id), @db, @agenda)

    # Where a registrar takes orders by hand.
    def shop(id) = Shop.new(self, id, @db, @agenda)

    def service(id)
      Counters::Service.new(
        self,
        @scenario.registrars.fetch(id).fetch("service"),
        @db,
        @registrars.fetch(id)
      )
    end

    # Mail that came in over SMTP: to a registrar's support, to somebody who reads it or not, or to
    # nobody.
    def receive(from, recipients, raw)
      exclusively do
        recipients.each do |to|
          support = @registrars.values.find { |r| r.habits["support"] == to.downcase }
          if support
            front_office(support.id).letter(from, raw, at: now)
          else
            @post.take_in(from, to.downcase, raw, at: now)
          end
        end
      end
    end

    def inspect = "#<Practice::World>"
    def registrar_title(id) = @registrars[id]&.title || id

    # Runs the block with all that is due done before it, and nothing else in between.
    def exclusively
      @lock.synchronize do
        catch_up(now)
        yield
      end
    end

    # Moves the clock on; everything in between happens at its own instant.
    def move_to(time)
      @lock.synchronize do
        catch_up(time)
        @clock.move_to(time)
      end
    end

    def state
      exclusively do
        {
          now: now.iso8601,
          rate: @clock.rate,
          next_event: @agenda.next_at&.iso8601,
          faults: faults,
          offered: Faults.offered(@scenario),
          counters: counters
        }
      end
    end

    # Where a person goes for what has to be done by hand, and the keys: [{title, site, login,
    # password}].
    def counters
      @scenario.registrars.flat_map do |id, row|
        [
          ([id, row] unless row["counter"] == false),
          (["service-#{id}", row["service"]] if row["service"])
        ].compact.map do |place, keys|
          {
            title: keys["title"],
            site: "#{@site}/counter/#{place}/",
            login: keys["login"],
            password: keys["page_password"] || keys["password"]
          }
        end
      end + host_counters
    end

    # Those of DNS hosts where everything is done by hand.
    def host_counters
      @scenario
        .hosts
        .select { |_, row| row["counter"] }
        .map do |id, row|
          {
            title: row["title"],
            site: "#{@site}/counter/host-#{id}/",
            **row["counter"].transform_keys(&:to_sym)
          }
        end
    end

    # What the registry and the registrars were asked, in order: for proving that nothing was done
    # twice.
    def asked = @db[:asked].order(:id).all

    def log(side, request, code)
      @db[:asked].insert(
        registrar: side,
        command: [request.verb, request.op].compact.join(" "),
        name: request.names&.first,
        key: request.key,
        at: now.to_i,
        code: code
      )
    end

    def fault(id) = @faults[id]
    def fault?(id) = @faults.key?(id)

    # Switches a fault on (detail: text or true) or off (nil); a restart forgets none.
    def set_fault(id, detail)
      rows = @db[:faults]
      if detail
        rows.insert_conflict(:replace).insert(id: id, detail: detail.to_s)
      else
        rows.where(id: id).delete
      end
      @faults = rows.select_hash(:id, :detail).freeze
    end

    # Changes a domain behind everyone's back, as a registry's staff could: for practising and for
    # tests.
    def change(name, row)
      exclusively do
        known = row.slice("auth_info", "statuses").transform_keys(&:to_sym)
        known[:statuses] = known[:statuses].to_json if known[:statuses]
        @registry.domains.where(name: name).update(known)
        { name: name }
      end
    end

    # Lets one of Happenings::KINDS happen now.
    def let_happen(kind)
      exclusively do
        Happenings.new(@registry, @post, @scenario.happenings, to: @scenario.mailbox["login"]).let(
          kind,
          at: now
        )
        state
      end
    end

    private

    def catch_up(time)
      while (item = @agenda.first_due(time))
        @db.transaction do
          happen(item)
          @agenda.finish(item)
        end
      end
    end

    def happen(item)
      p = item.payload
      case item.kind
      when "silence"
        @registry.silence(p["id"], at: item.at)
      when "expiry"
        @registry.expire(p["name"], at: item.at)
      when "grace-over"
        @registry.end_grace(p["name"], at: item.at)
      when "mail"
        @post.arrive(p, at: item.at)
      when "pass-on"
        @registrars.fetch(p["registrar"]).pass_on(p, at: item.at)
      when "order"
        @registrars.fetch(p["registrar"]).place_order(p, at: item.at)
      when "contact"
        @registrars.fetch(p["registrar"]).contact_counts(p, at: item.at)
      when "support"
        front_office(p["registrar"]).answer(p, at: item.at)
      when "release"
        @registrars.fetch(p["registrar"]).release(p["name"], at: item.at)
      end
    end

    # A registry that knows no code asks the holder by mail.
    def ask_holder(row, at)
      domain = @registry.find(row[:name])
      subject, text =
        Post::Letters.of(
          :holder,
          name: row[:name],
          registrar: registrar_title(row[:requested_by]),
          deadline: Time.at(row[:act_at]).utc,
          link: "#{@site}/counter/registry/release/#{row[:name]}"
        )
      @post.deliver(
        at + 300,
        from: @scenario.registry["sender"],
        to: @registry.shown_email(domain, :registrant),
        subject: subject,
        text: text
      )
    end

    def heard(event, row, at)
      @registrars.each_value { |r| r.hear(event, row, at) }
      ask_holder(row, at) if event == "pending" && @registry.by_mail?(row[:name])
      return unless event.end_with?("Approved")

      # The losing registrar's own DNS ends with the registration.
      ending = @scenario.hosts.select { |_, h| h["ends_with"] == row[:acts] }.keys
      ending.each { |id| @hosts.fetch(id).drop("#{row[:name]}.") }
    end
  end
end
