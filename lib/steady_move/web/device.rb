# frozen_string_literal: true

require "openssl"
require "rack/utils"
require "securerandom"

module SteadyMove
  module Web
    # A browser in which a person signed in before: it keeps a mark, so that a stranger who tries
    # that person's password elsewhere slows nobody but the stranger. The mark lets nobody in.
    class Device
      COOKIE = "steady_move_device"
      LASTS = 90 * 86_400

      # path: under which the desk is served.
      def initialize(secret, path: "")
        @secret = secret
        @path = "#{path}/api/sign-in"
      end

      # The mark's own number where a cookie's value is one for this person, else nil.
      def known(value, person_id)
        id, number, sign = value.to_s.split(".", 3)
        if person_id && id == person_id.to_s &&
             Rack::Utils.secure_compare(sign_of(id, number), sign.to_s)
          number
        end
      end

      # Marks the browser that gets these headers.
      def mark(headers, person_id)
        number = SecureRandom.hex(8)
        value = [person_id, number, sign_of(person_id, number)].join(".")
        Rack::Utils.set_cookie_header!(
          headers,
          COOKIE,
          value: value,
          path: @path,
          max_age: LASTS,
          httponly: true,
          same_site: :strict
        )
      end

      private

      def sign_of(id, number) = OpenSSL::HMAC.hexdigest("SHA256", @secret, "#{id}.#{number}")
    end
  end
end
