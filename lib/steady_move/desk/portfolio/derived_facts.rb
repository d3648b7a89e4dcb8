# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What the desk knows of names from its own doing: codes held, the registrar that a name came
      # from, and what hangs together between names.
      class DerivedFacts
        # many: read what is known of all names once, for judging the whole list; else ask for each
        # name; only: for one name.
        def initialize(ports, many: false, only: nil)
          ports = Ports.of(ports)
          @names = ports.names
          @codes = ports.codes.held(only)
          @came_from = ports.moves.came_from(only)
          @safe = ports.codes
          @registrars = ports.accounts.all.to_h { |a| [a.id, a.registrar] }
          @boxes = ports.letters.mailboxes.transform_values(&:first)
          @habits = habits(ports.accounts.all)
          @switches =
            ports.accounts.all.reject { |a| a.ways["unlock"] == "connection" }.to_set(&:id)
          @picky =
            ports.accounts.all.map { |a| Accounts::Destinations.settings(a) }.select(&:takes_codes)
          return unless many

          @hosts = @names.hosts_for_others
          @ending = @names.zones_that_end
        end

        # row: of Store::Names; facts: Facts. Returns Facts with what the desk knows added.
        def add(row, facts)
          name = row[:name]
          code = @codes[name]
          from = @came_from[[name, row[:account_id]]] if facts[:transferred_at]
          people = about_people(row, facts)
          switch = one_switch?(row, facts) || nil
          if code.nil? && from.nil? && people.empty? && switch.nil? && nothing_between?(name, facts)
            return facts
          end

          extra = {
            came_from: from && @registrars[from],
            hosts_for_others: hosts(name),
            same_zone: same_zone(facts),
            one_switch: switch,
            **people,
            **(code ? about(code, name) : {})
          }.compact
          extra.empty? ? facts : facts.with(**extra)
        end

        # What judging takes from the accounts, as text: where it is the same, nothing is judged
        # anew.
        def basis
          [
            @registrars,
            @habits,
            @switches.to_a,
            @picky.map { |d| [d.id, d.takes_codes.text] }
          ].inspect
        end

        private

        # Is the lock one switch of the registrar's pages, which sets several statuses?
        def one_switch?(row, facts)
          @switches.include?(row[:account_id]) && facts.statuses.include?("clientUpdateProhibited")
        end

        # Where all names are read at once: does nothing hang together with other names?
        def nothing_between?(name, facts)
          @hosts && !@hosts.key?(name) && (@ending.empty? || !facts[:zone_ends_with_account])
        end

        def hosts(name) = (@hosts || @names.hosts_for_others(name))[name]

        # {account id => facts of how it gives codes}: those that send them by mail, and those that
        # give none while privacy is on.
        def habits(accounts)
          accounts
            .to_h { |a| [a.id, { **mailing(a), **covering(a) }.freeze] }
            .reject { |_, facts| facts.empty? }
        end

        def mailing(account)
          return {} unless account.ways["code"] == "mail"

          { code_by_mail: true, mail_role: Common::ContactRoles.deciding(account, nil) }
        end

        def covering(account)
          account.habits["code_after_privacy"] ? { code_after_privacy: true } : {}
        end

        # Whom the account writes to, and what is known of their mailboxes; what a person noted
        # holds where no word was sent.
        def about_people(row, facts)
          return @habits.fetch(row[:account_id], {}) if @boxes.empty?

          {
            mailbox: box(facts[:registrant_email]),
            admin_mailbox: box(facts[:admin_email]),
            technical_mailbox: box(facts[:technical_email]),
            **@habits.fetch(row[:account_id], {})
          }.compact
        end

        def box(email)
          state = email && @boxes[email.downcase]
          state unless state == "asked"
        end

        # code: [seconds when it came, state].
        def about(code, name)
          {
            code_held: true,
            code_received_at: Store::Values.time(code[0]),
            code_rejected: (true if code[1] == "rejected"),
            code_unfit_for: unfit_for(name)
          }
        end

        # Accounts that could not take the code held for a name.
        def unfit_for(name)
          held = @safe.newest(name)
          @picky.reject { |d| d.takes_codes.takes?(held) }.map(&:id)
        end

        # The contact's mail domain, where its zone ends with the same account as this one.
        def same_zone(facts)
          domain = facts[:registrant_email].to_s.downcase.rpartition("@").last
          return if domain.empty? || !facts[:zone_ends_with_account]

          host = (@ending || @names.zones_that_end(domain))[domain]
          [domain] if host && host == facts[:zone_ends_with_account]
        end
      end
    end
  end
end
