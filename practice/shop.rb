# frozen_string_literal: true

require "csv"

module Practice
  # Where a registrar takes orders by hand: a cart, payment, and what it wants confirmed before it
  # passes an order on. row: its “shop”: list (separator, header, quoting: how it reads a list of
  # names and codes), pays (card or balance), balance (minor units), profile (title of the contact
  # profile that has to be filled in first), promotion (code, transfer, until), confirms (link,
  # halves, code), looks_first (refuses in the cart what the registry would refuse), sets_up: false
  # (charges, and sets nothing up until its support is asked), servers_by_mail (writes its name
  # servers once there is an order). Every method returns a sentence, or raises FrontOffice::No.
  class Shop
    No = FrontOffice::No

    def initialize(world, id, db, agenda)
      @world = world
      @row = world.scenario.registrars.fetch(id)
      @shop = @row["shop"] or raise No, "Nothing is sold here."
      @registrar = world.registrars.fetch(id)
      @orders = db[:orders].where(registrar: id)
      @table = db[:orders]
      @settings = db[:settings]
      @agenda = agenda
      @id = id
    end

    def orders = @orders.order(:id).all
    def order(name) = @orders.where(name: name).exclude(state: "gone").order(:id).last
    def cart = @orders.where(state: "cart").order(:id).all
    def balance = (get("balance") || @shop["balance"]).to_i
    def pays = @shop["pays"]
    def card? = pays != "card" || @shop["card"] || get("card") == "yes"
    def profile? = @shop["profile"].nil? || get("profile") == "yes"
    def total = cart.sum { |o| o[:price] }
    def form = @shop["list"]

    # list: lines in this shop's own form; promotion: a code or nothing.
    def add(list, at:, promotion: nil)
      price = price(promotion, at)
      said = lines(list).map { |name, code| into_cart(name, code, price, at) }
      raise No, "The list holds no name." if said.empty?

      "#{said.join(" ")} In the cart: #{cart.size}, together #{total / 100}." \
        "#{format("%02d", total % 100)}."
    end

    # One name with its code, in fields of their own: any code can be typed so.
    def add_one(name, code, at:)
      into_cart(name.to_s.strip.downcase, code.to_s, price(nil, at), at)
    end

    def pay(at:)
      raise No, "The cart is empty." if cart.empty?
      raise No, "Fill in the contact profile “#{@shop["profile"]}” first." unless profile?
      raise No, "No card is on file." unless card?
      if pays == "balance" && balance < total
        raise No, "The balance of #{balance} is too low for #{total}."
      end

      put("balance", balance - total) if pays == "balance"
      number = format("%s-%04d", @id.upcase[0, 3], @table.count)
      names = cart.map { |o| o[:name] }
      @orders.where(state: "cart").update(
        state: @shop["sets_up"] == false ? "paid" : "set up",
        number: number
      )
      receipt(number, names, at)
      names.each { |n| go_on(order(n), at) } unless @shop["sets_up"] == false
      "Order #{number} is paid: #{names.join(", ")}."
    end

    def card = put("card", "yes") && "The card is on file."
    def fill_profile = put("profile", "yes") && "The contact profile is complete."

    # Does it serve zones for who signs up? Which its name servers are, it says by mail only.
    def serves_dns? = !dns_host.nil?
    def dns_host = @world.scenario.hosts.find { |_, row| row["signed_up_at"] == @id }&.first

    def open_dns(name, at:)
      raise No, "No zones are served here." unless serves_dns?
      raise No, "A name is expected." unless name.match?(/\A[a-z0-9.-]+\.[a-z]+\z/)

      host = @world.hosts.fetch(dns_host)
      origin = SteadyMove::Core::Records::Name.parse(name)
      host.save(host.fresh(origin)) unless host.zone(origin)
      @registrar.write_to(@registrar.owner, :servers, name, at + 300, code: host.servers.join("\n"))
      "A zone for #{name} is opened; its name servers come by mail."
    end

    def take_papers = put("papers", "yes") && "The papers are taken."

    def top_up(sum)
      put("balance", balance + sum.to_i)
      "The balance is now #{balance}."
    end

    # The support sets up what was paid and left lying.
    def set_up(name, at:)
      row = there(name)
      raise No, "#{name} is not paid." unless row[:state] == "paid"

      @orders.where(id: row[:id]).update(state: "set up")
      go_on(order(name), at)
      "The order of #{name} is set up."
    end

    # how: link, halves or code; given: what was typed.
    def confirm(name, how, at:, given: nil)
      row = there(name)
      left = row[:needs].to_s.split
      raise No, "Nothing is to be confirmed for #{name}." unless left.include?(how)
      raise No, "That is not the code." unless right?(row, how, given.to_s.strip)

      @orders.where(id: row[:id]).update(needs: (left - [how]).join(" "))
      pass_on(order(name), at) if (left - [how]).empty?
      "Thank you. " \
        "#{(left - [how]).empty? ? "The order of #{name} goes on." : "One more confirmation is needed."}"
    end

    def cancel(name, at:)
      row = there(name)
      begin
        @registrar.end_transfer(name, "cancel", at: at) if row[:state] == "passed on"
      rescue Refusal => e
        raise No, "The order of #{name} can't be cancelled any more (#{e.code})."
      end
      @orders.where(id: row[:id]).update(state: "gone")
      "The order of #{name} is cancelled."
    end

    private

    # The shop's own reading of a list, by a general library: its separator, its header, RFC 4180's
    # quotes.
    def lines(list)
      rows =
        CSV.parse(
          list.to_s,
          col_sep: form["separator"] || ",",
          quote_char: form["quoting"] == "never" ? "\x00" : '"'
        )
      rows.shift if form["header"]
      rows
        .reject { |r| r.compact.empty? }
        .map do |r|
          alone = r.size == 1 && @world.registry.by_mail?(r[0].to_s.strip.downcase)
          unless r.size == 2 || alone
            raise No, "The line of #{r.first} has #{r.size} fields; two are expected."
          end

          [r[0].to_s.strip.downcase, r[1].to_s]
        end
    rescue CSV::MalformedCSVError => e
      raise No, "The list can't be read: #{e.message}"
    end

    def into_cart(name, code, price, at)
      held = order(name)
      raise No, "#{name} is ordered already." if held && !%w[cart gone].include?(held[:state])

      wants = @shop["papers"].to_a.any? { |s| name.end_with?(".#{s}") }
      raise No, "#{name} needs papers first." if wants && get("papers") != "yes"

      @world.registry.may_request(@id, name, code, at: at) if @shop["looks_first"]
      @orders.where(name: name, state: "cart").delete
      @table.insert(registrar: @id, name: name, code: code, price: price, state: "cart", needs: "")
      "#{name} is in the cart."
    rescue Refusal => e
      "#{name} can't be transferred: #{e.message}."
    end

    def price(promotion, at)
      offer = @shop["promotion"]
      given = promotion.to_s.strip
      if given.empty?
        return @row.dig("prices", "transfer") + @row.dig("prices", "per_transaction").to_i
      end
      raise No, "There is no promotion “#{given}”." unless offer && offer["code"] == given
      raise No, "The promotion “#{given}” is over." if at.strftime("%Y-%m-%d") > offer["until"]

      offer["transfer"] + @row.dig("prices", "per_transaction").to_i
    end

    def go_on(row, at)
      needs = @shop["confirms"].to_a
      @orders.where(id: row[:id]).update(needs: needs.join(" "), half: half)
      needs.each { |how| ask(order(row[:name]), how, at) }
      pass_on(row, at) if needs.empty?
      return unless @shop["servers_by_mail"]

      @registrar.write_to(
        @registrar.owner,
        :servers,
        row[:name],
        at + 300,
        code: @shop["servers_by_mail"].join("\n")
      )
    end

    def ask(row, how, at)
      case how
      when "link"
        write(
          :confirm_link,
          row[:name],
          at,
          link: "#{@world.site}/counter/#{@id}/confirm/#{row[:name]}"
        )
      when "halves"
        write(:confirm_halves, row[:name], at, code: row[:half].split("-").last)
      end
    end

    def half = Array.new(2) { format("%04d", @world.random.rand(10_000)) }.join("-")

    def right?(row, how, given)
      case how
      when "link"
        true
      when "halves"
        given.delete(" ") == row[:half]
      else
        given == row[:code]
      end
    end

    def pass_on(row, at)
      @orders.where(id: row[:id]).update(state: "passed on")
      @registrar.request_transfer(row[:name], row[:code], years: 1, at: at)
    rescue Refusal => e
      @orders.where(id: row[:id]).update(state: "gone")
      write(:not_placed, row[:name], at, code: "#{e.code} #{e.message}")
    end

    def receipt(number, names, at)
      each = @orders.where(number: number).sum(:price)
      @registrar.write_to(
        @registrar.owner,
        :receipt,
        names.join(", "),
        at + @row["habits"].fetch("mail_after", 60),
        code: "#{number}, #{format("%.2f", each / 100.0)} #{@row.dig("prices", "currency")}"
      )
    end

    def write(kind, name, at, **more)
      @registrar.write_to(
        @registrar.owner,
        kind,
        name,
        at + @row["habits"].fetch("mail_after", 60),
        **more
      )
    end

    def there(name) = order(name) || raise(No, "There is no order of #{name}.")
    def get(key) = @settings.where(key: "shop-#{@id}-#{key}").get(:value)
    def put(key, value)
      @settings.insert_conflict(:replace).insert(key: "shop-#{@id}-#{key}", value: value.to_s)
    end
  end
end
