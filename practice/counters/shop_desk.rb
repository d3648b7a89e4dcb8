# frozen_string_literal: true

module Practice
  module Counters
    # The pages on which a registrar takes orders.
    class ShopDesk
      # What a form asks for besides the name it is about: act => [button, {field => label}].
      GENERAL = {
        "add" => [
          "Put into the cart",
          { "list" => "Names to transfer to us, with their codes", "promotion" => "Promotion code" }
        ],
        "add-one" => ["Put this one into the cart", { "name" => "Name", "code" => "Code" }],
        "pay" => ["Pay for what is in the cart", {}]
      }.freeze
      MEANS = {
        "card" => ["Put a card on file", {}],
        "top-up" => ["Raise the balance", { "sum" => "By how much" }],
        "profile" => ["Fill in the contact profile", {}],
        "papers" => ["Send in papers", {}]
      }.freeze

      def initialize(world, id)
        @world = world
        @id = id
      end

      def sells? = !@world.scenario.registrars.fetch(@id)["shop"].nil?

      def list
        return "" unless sells?

        rows = shop.orders.reject { |o| o[:state] == "gone" }
        dns =
          (
            if shop.serves_dns?
              "<h2>DNS</h2>#{forms({ "open-dns" => ["Open a zone", { "name" => "Name" }] })}"
            else
              ""
            end
          )
        "#{dns}<h2>Transfer names to us</h2>#{form_of_list}#{forms(GENERAL)}<h2>Payment</h2><p>" \
          "#{means}</p>" \
          "#{forms(MEANS)}<h2>Orders</h2>#{Page.names(@id, rows.map { |o| [o[:name], state(o)] })}"
      end

      # The page of one order, or nil.
      def name(name)
        row = sells? && shop.order(name) or return
        if row[:half]
          halves =
            "<p>The first half of the number: <code>#{Page.h(row[:half].split("-").first)}</code>" \
              "</p>"
        end
        acts = {
          "halves" => ["Confirm", { "given" => "Both halves" }],
          "code-again" => ["Confirm", { "given" => "The authorization code once more" }],
          "cancel" => ["Cancel the order", {}],
          "set-up" => ["Ask the support to set it up", {}]
        }
        "<h2>Order</h2><p><code>#{Page.h(name)}</code>: #{Page.h(state(row))}</p>#{halves}" \
          "#{forms(acts, name)}"
      end

      # Returns a sentence, or nil where it is no act of the shop's.
      def do(name, what, given, now)
        case what
        when "add"
          shop.add(given["list"], promotion: given["promotion"], at: now)
        when "add-one"
          shop.add_one(given["name"], given["code"], at: now)
        when "pay"
          shop.pay(at: now)
        when "open-dns"
          shop.open_dns(given["name"].to_s.strip.downcase, at: now)
        when "card"
          shop.card
        when "top-up"
          shop.top_up(given["sum"])
        when "profile"
          shop.fill_profile
        when "papers"
          shop.take_papers
        when "link", "halves"
          shop.confirm(name, what, given: given["given"], at: now)
        when "code-again"
          shop.confirm(name, "code", given: given["given"], at: now)
        when "cancel"
          shop.cancel(name, at: now)
        when "set-up"
          shop.set_up(name, at: now)
        end
      end

      private

      def shop = @shop ||= @world.shop(@id)

      def form_of_list
        form = shop.form
        sign = form["separator"] == "\t" ? "a tab" : "“#{form["separator"]}”"
        head = form["header"] && ", the first line <code>#{Page.h(form["header"])}</code>"
        "<p>A line for each name, #{sign} between name and code#{head}. Names in the cart: " \
          "#{shop.cart.size}, " \
          "#{format("%.2f", shop.total / 100.0)}.</p>"
      end

      def means
        return "Balance: #{format("%.2f", shop.balance / 100.0)}." if shop.pays == "balance"

        shop.card? ? "A card is on file." : "No card is on file."
      end

      def state(order)
        left = order[:needs].to_s.split
        [
          "order #{order[:number]}",
          order[:state],
          ("to be confirmed: #{left.join(", ")}" if left.any?)
        ].compact.join(", ")
      end

      def forms(acts, name = "all")
        acts
          .map do |what, (button, fields)|
            Page.form("/counter/#{@id}/#{name}/#{what}", button, fields, %w[list])
          end
          .join
      end
    end
  end
end
