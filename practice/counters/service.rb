# frozen_string_literal: true

module Practice
  module Counters
    # A privacy service of its own, with its own sign-in and an identity check: a number comes by
    # mail and is typed in.
    class Service
      attr_reader :title, :login, :password

      # row: {title, login, password, writes_from, identity, number_after}; registrar: for whose
      # names it stands in.
      def initialize(world, row, db, registrar)
        @world = world
        @row = row
        @settings = db[:settings]
        @registrar = registrar
        @title, @login, @password = row.values_at("title", "login", "password")
      end

      def names = @world.front_office(@registrar.id).names
      def checked? = !@row["identity"] || get("passed") == "yes"
      def on?(name) = !@world.registry.find(name)[:veil].nil?

      def ask_check(at:)
        number = format("%06d", @world.random.rand(1_000_000))
        put("number", number)
        mail(
          at + @row.fetch("number_after", 300),
          "Your number for the identity check",
          "Type this number to show who you are: #{number}. The identity check is open for one day."
        )
        "A number is on its way to you by mail."
      end

      def check(number, at:)
        unless !get("number").nil? && get("number") == number.to_s.strip
          raise FrontOffice::No, "That is not the number."
        end

        put("passed", "yes")
        mail(
          at + 60,
          "Your identity check is passed",
          "The identity check is passed. You may now change the " \
            "privacy of:\n\n#{names.select { |n| on?(n) }.join("\n")}"
        )
        "The identity check is passed."
      end

      def set(name, on, at:)
        raise FrontOffice::No, "Pass the identity check first." unless checked?

        @world.front_office(@registrar.id).privacy(name, on, at: at)
      end

      private

      def mail(at, subject, text)
        @world.post.deliver(
          at,
          from: "desk@#{@row["writes_from"]}",
          to: @registrar.owner,
          subject: subject,
          text: "#{text}\n\n#{title}"
        )
      end

      def get(key) = @settings.where(key: "service-#{@registrar.id}-#{key}").get(:value)

      def put(key, value)
        @settings.insert_conflict(:replace).insert(
          key: "service-#{@registrar.id}-#{key}",
          value: value
        )
      end
    end
  end
end
