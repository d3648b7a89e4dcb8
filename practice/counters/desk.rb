# frozen_string_literal: true

module Practice
  module Counters
    # A registrar's pages for its customer.
    class Desk
      def initialize(world, id)
        @world = world
        @id = id
        @office = world.front_office(id)
        @row = world.scenario.registrars.fetch(id)
      end

      def title = @row["title"]
      def keys = @row.values_at("login", "page_password")

      def list(place)
        "#{Page.names(place, @office.names.map { |n| [n, state(@office.kept(n))] })}#{shop.list}"
      end

      def name(name)
        order = shop.name(name)
        return order if order && !@office.names.include?(name)

        row = @office.kept(name)
        [
          "<p><code>#{Page.h(name)}</code>: #{Page.h(state(row))}</p>",
          lock(name, row),
          renewal(name),
          privacy(name, row),
          code(name),
          servers(name, row),
          contacts(name, row),
          transfer(name),
          push(name)
        ].join
      end

      # what: the act; given: the form's fields. Returns a sentence.
      def do(name, what, given, now)
        sold = shop.do(name, what, given, now)
        return sold if sold

        case what
        when "lock-off"
          @office.lock(name, false, at: now)
        when "lock-on"
          @office.lock(name, true, at: now)
        when "renew"
          @office.renew(name, at: now)
        when "privacy-off"
          @office.privacy(name, false, at: now)
        when "privacy-on"
          @office.privacy(name, true, at: now)
        when "code"
          @office.code(name, reason: given["reason"], at: now)
        when "new-code"
          @office.new_code(name, at: now)
        when "name-servers"
          @office.name_servers(name, given["servers"].to_s.downcase.split(/[\s,;]+/), at: now)
        when "ds"
          @office.ds(name, given["ds"].to_s.split(/[;\n]+/), at: now)
        when "registrant", "admin"
          @office.contact(
            name,
            what,
            given["email"],
            at: now,
            opted_out: given["opted_out"] == "yes"
          )
        when "push"
          @office.push(name, given["to"], at: now)
        when "release"
          @office.release(name, at: now)
        else
          raise FrontOffice::No, "There is no such act."
        end
      end

      private

      def shop = @shop ||= ShopDesk.new(@world, @id)

      def state(row)
        [
          "lock #{row[:statuses].include?(FrontOffice::LOCK) ? "on" : "off"}",
          ("privacy on" if row[:veil]),
          ("transfer under way" if row[:statuses].include?("pendingTransfer"))
        ].compact.join(", ")
      end

      def at(name, what) = "/counter/#{@id}/#{name}/#{what}"

      def lock(name, row)
        "<h2>Lock</h2>#{
          if row[:statuses].include?(FrontOffice::LOCK)
            Page.form(at(name, "lock-off"), "Take the lock off")
          else
            Page.form(at(name, "lock-on"), "Put the lock on")
          end
        }"
      end

      def renewal(name) = "<h2>Renewal</h2>#{Page.form(at(name, "renew"), "Renew for a year")}"

      def privacy(name, row)
        return "" if @row.dig("habits", "privacy").nil? || @row["service"]

        act, says =
          row[:veil] ? ["privacy-off", "Show the contacts"] : ["privacy-on", "Hide the contacts"]
        "<h2>Privacy</h2>#{Page.form(at(name, act), says)}"
      end

      def code(name)
        reason = @row.dig("habits", "code", "reason") ? { "reason" => "Why?" } : {}
        button = @row.dig("habits", "code", "how") == "mail" ? "Send the code" : "Show the code"
        "<h2>Authorization code</h2>#{Page.form(at(name, "code"), button, reason)}" \
          "#{Page.form(at(name, "new-code"), "Set a new code")}"
      end

      def servers(name, row)
        "<h2>Name servers</h2><p>#{
          row[:name_servers].map { |s| "<code>#{Page.h(s)}</code>" }.join(", ")
        }</p>#{
          Page.form(at(name, "name-servers"), "Set", "servers" => "Name servers")
        }#{signing(name, row)}"
      end

      def signing(name, row)
        "<h2>DNSSEC</h2><p>#{Page.h(row[:ds].empty? ? "no DS records" : row[:ds].join("; "))}</p>" \
          "#{
            Page.form(
              at(name, "ds"),
              "Set",
              "ds" => "DS records, with semicolons between; empty for none"
            )
          }"
      end

      def contacts(name, row)
        %i[registrant admin]
          .map do |role|
            label = role == :admin ? "Administrative contact" : "Registrant"
            fields = {
              "email" => "E-mail",
              **(
                if role == :registrant && @row.dig("knows", "opt_out")
                  { "opted_out" => "Opt out of the block?" }
                else
                  {}
                end
              )
            }
            "<h2>#{label}</h2><p><code>#{
              Page.h(@world.registry.contact(@id, row[role])[:email])
            }</code></p>#{Page.form(at(name, role.to_s), "Change", fields)}"
          end
          .join
      end

      def push(name)
        return "" unless @world.registry.pushed?(name)

        "<h2>Hand over</h2>" \
          "#{Page.form(at(name, "push"), "Hand it over", "to" => "To which registrar")}"
      end

      def transfer(name)
        if @world.registry.pending(name)
          "<h2>Transfer</h2>#{Page.form(at(name, "release"), "Approve the transfer")}"
        else
          ""
        end
      end
    end
  end
end
