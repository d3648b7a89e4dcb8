# frozen_string_literal: true

module Practice
  # A registrar between its customer and the registry, made from a file in scenario/registrars/:
  # title, login, password (of its connection), page_password (of its pages), owner, prices; kind:
  # by_hand where it has no connection; counter: false where it has no pages either; knows: what the
  # desk's account says about it, so that the desk acts or asks rightly; takes: as a destination;
  # service: a privacy service of its own. habits: how it behaves: unlock_after, order_after,
  # release_after, mail_after, contacts_late (seconds), sender (address), title; code: {how: page or
  # mail, to: registrant or admin, reason, after, only_public}; link: its mail holds a link to
  # approve with; privacy: domain of its own service's addresses.
  class Registrar
    attr_reader :id, :title, :habits, :owner

    # The address under which a privacy service stands in.
    def self.alias_of(name, domain) = "#{name.delete(".").slice(0, 12)}@#{domain}"

    # site: where its pages are, for the links in its mail.
    def initialize(id, row, registry:, agenda:, post:, site: nil)
      @site = site
      @id = id
      @title = row.fetch("title")
      @habits = row.fetch("habits")
      @owner = row.fetch("owner")
      @registry = registry
      @agenda = agenda
      @post = post
    end

    def check(names) = @registry.check(names)
    def contact(contact_id) = @registry.contact(id, contact_id)

    # The customer sees his name as the registrar keeps it: changes taken but not passed on are
    # shown as made.
    def info(name, auth: nil)
      row = @registry.info(id, name, auth: auth)
      return row unless row[:sponsor] == id

      waiting("pass-on", name).reduce(row) do |r, item|
        add, rem = item.payload.values_at("add", "rem")
        r.merge(
          statuses:
            ((r[:statuses] - rem["statuses"]) | add["statuses"]).then { |s| s.empty? ? ["ok"] : s }
        )
      end
    end

    # Returns true when the change is made at once, false when it waits.
    def update(name, add:, rem:, at:, auth: nil)
      delay =
        (
          if rem[:statuses].include?(SteadyMove::Core::Names::Statuses::LOCK)
            habits.fetch("unlock_after", 0)
          else
            0
          end
        )
      raise Refusal, 2201 unless @registry.find(name)[:sponsor] == id

      if add[:statuses].include?(SteadyMove::Core::Names::Statuses::LOCK)
        waiting("pass-on", name).each { |i| @agenda.finish(i) }
      end
      if delay.zero?
        return @registry.update(id, name, add: add, rem: rem, auth: auth, at: at) && true
      end

      @agenda.add(at + delay, "pass-on", registrar: id, name: name, add: add, rem: rem)
      write(:lock_notice, name, at)
      false
    end

    # Renewed at the registry at once, on the customer's word.
    def renew(name, expires, years:, at:) = @registry.renew(id, name, expires, years: years, at: at)

    # Returns true when it counts at once, false when it is late.
    def change_contact(contact_id, email:, at:, opted_out: false)
      @registry.contact(id, contact_id)
      delay = habits.fetch("contacts_late", 0)
      if delay.zero?
        return(
          @registry.change_contact(id, contact_id, email: email, at: at, opted_out: opted_out) &&
            true
        )
      end

      @agenda.add(
        at + delay,
        "contact",
        registrar: id,
        contact: contact_id,
        email: email,
        opted_out: opted_out
      ) && false
    end

    def contact_counts(payload, at:)
      @registry.change_contact(
        id,
        payload["contact"],
        email: payload["email"],
        at: at,
        opted_out: payload["opted_out"]
      )
    end

    # A letter of its own to an address of the holder's.
    def write_to(address, kind, name, at, **more)
      subject, text = Post::Letters.of(kind, name: name, registrar: title, **more)
      @post.deliver(at, from: habits.fetch("sender"), to: address, subject: subject, text: text)
    end

    def pass_on(payload, at:)
      add, rem = payload.values_at("add", "rem").map { |h| h.transform_keys(&:to_sym) }
      @registry.update(id, payload["name"], add: add, rem: rem, at: at)
    rescue Refusal
      nil # the name has gone in the meantime; nothing is left to change
    end

    # Refuses at once what the registry would refuse; passes the order on after its habit's delay.
    def request_transfer(name, auth, years:, at:)
      raise Refusal, 2300 if waiting("order", name).any?

      @registry.may_request(id, name, auth, at: at)
      delay = habits.fetch("order_after", 0)
      return @registry.request_transfer(id, name, auth, years: years, at: at) if delay.zero?

      @agenda.add(
        at + delay,
        "order",
        registrar: id,
        name: name,
        auth: auth,
        years: years,
        taken: at.to_i
      )
      taken(waiting("order", name).first)
    end

    def place_order(payload, at:)
      @registry.request_transfer(
        id,
        payload["name"],
        payload["auth"],
        years: payload["years"],
        at: at
      )
    rescue Refusal => e
      @post.deliver(
        at,
        from: habits.fetch("sender"),
        to: @owner,
        subject:
          "Your order for #{payload["name"]} could " \
            "not be placed",
        text: "The registry refused the transfer: #{e.code} #{e.message}."
      )
    end

    def query(name, auth: nil)
      order = waiting("order", name).first
      return taken(order) if order

      row = @registry.query(id, name, auth: auth)
      if row[:status] == "pending" && waiting("release", name).any?
        row.merge(status: "clientApproved")
      else
        row
      end
    end

    # Returns the transfer's row as it stands after the act.
    def end_transfer(name, operation, at:)
      order = waiting("order", name).first
      return withdraw(order, at) if order && operation == "cancel"

      delay = operation == "approve" ? habits.fetch("release_after", 0) : 0
      row = @registry.query(id, name)
      if delay.zero? || row[:status] != "pending"
        return @registry.end_transfer(id, name, operation, at: at)
      end
      raise Refusal, 2201 unless row[:acts] == id

      if waiting("release", name).empty?
        @agenda.add(at + delay, "release", registrar: id, name: name)
      end
      row
    end

    def release(name, at:)
      @registry.end_transfer(id, name, "approve", at: at)
    rescue Refusal
      nil # it ended another way first
    end

    # Hears of the registry's transfers and writes to the holder about those of its own.
    def hear(event, row, at)
      losing = row[:acts] == id
      gaining = row[:requested_by] == id
      leaving(row, at) if losing && event == "pending"
      write(:left, row[:name], at) if losing && event.end_with?("Approved")
      write(:landed, row[:name], at) if gaining && event.end_with?("Approved")
      write(:ended, row[:name], at) if gaining && event.match?(/Rejected|Cancelled/)
    end

    private

    # Where the registry asks the holder itself, the registrar doesn't.
    def leaving(row, at)
      return if @registry.by_mail?(row[:name])

      write(
        :leaving,
        row[:name],
        at,
        deadline: Time.at(row[:act_at]).utc,
        link: habits["link"] && "#{@site}/counter/#{id}/release/#{row[:name]}"
      )
    end

    def waiting(kind, name)
      @agenda.coming(kind, name: name).select { |i| i.payload["registrar"] == id }
    end

    def taken(item)
      at = item.payload["taken"]
      {
        name: item.payload["name"],
        status: "pending",
        requested_by: id,
        requested_at: at,
        acts: @registry.find(item.payload["name"])[:sponsor],
        act_at: at + Registry::SILENCE
      }
    end

    def withdraw(order, at)
      @agenda.finish(order)
      taken(order).merge(status: "clientCancelled", act_at: at.to_i)
    end

    def write(kind, name, at, **more)
      subject, text = Post::Letters.of(kind, name: name, registrar: title, **more)
      @post.deliver(
        at + habits.fetch("mail_after", 60),
        from: habits.fetch("sender"),
        to: @owner,
        subject: subject,
        text: text
      )
    end
  end
end
