# frozen_string_literal: true

require_relative "../test_helper"

# What of a page nobody sees (CSS 2.1 §§8–18 and CSS Color 4 §6.1, as mail readers follow them;
# which of it senders use: common practice, no source).
class SightTest < Minitest::Test
  WORD = "k7-Quern-29"

  # style of an element => is its text seen?
  STYLES = {
    "" => true,
    "color:#333" => true,
    "font-size:11px" => true,
    "font-size:0.8em" => true,
    "opacity:1" => true,
    "opacity:0.6" => true,
    "max-height:200px" => true,
    "height:0" => true, # what overflows is shown
    "width:100%;overflow:hidden" => true,
    "margin-left:-8px" => true,
    "position:absolute;left:0" => true,
    "left:-9999px" => true, # no effect on what stands in its place
    "color:white;background-color:#204060" => true,
    "color:#fff;background:#204060 url(x.png)" => true,
    "color:#fff;background:linear-gradient(#000,#333)" => true,
    "transform:scale(0.5)" => true,
    "display:none" => false,
    "DISPLAY : NONE !important" => false,
    "display:/**/none" => false,
    "visibility:hidden" => false,
    "visibility:collapse" => false,
    "opacity:0" => false,
    "opacity:.01" => false,
    "opacity:0%" => false,
    "font-size:0" => false,
    "font-size:0px" => false,
    "font-size:1px" => false,
    "font-size:.01em" => false,
    "max-height:0;overflow:hidden" => false,
    "height:0;overflow:hidden" => false,
    "width:0px;overflow-x:clip" => false,
    "line-height:0;overflow:hidden" => false,
    "text-indent:-9999px" => false,
    "position:absolute;left:-9999px" => false,
    "position:fixed;top:-2000em" => false,
    "margin-left:-5000px" => false,
    "clip:rect(0,0,0,0)" => false,
    "clip-path:inset(100%)" => false,
    "transform:scale(0)" => false,
    "transform:translateX(-9999px)" => false,
    "color:white" => false,
    "color:#FFF" => false,
    "color:#fefefe" => false,
    "color:rgb(255, 255, 255)" => false,
    "color:transparent" => false,
    "color:rgba(0,0,0,0)" => false,
    "color:#204060;background:#204060" => false,
    "color:black;background-color:black" => false,
    "mso-hide:all" => false
  }.freeze

  # a page => is the word in it seen?
  PAGES = {
    "<div hidden>%s</div>" => false,
    "<font color=white>%s</font>" => false,
    "<td bgcolor='#204060'><font color='#ffffff'>%s</font></td>" => true,
    "<td bgcolor='#204060'><font color='#214161'>%s</font></td>" => false,
    "<div style='color:#fff'><p><b>%s</b></p></div>" => false,
    "<div style='color:#fff'>x</div><p>%s</p>" => true,
    "<div style='display:none'>x<br>y</div>%s" => true,
    "<div style='display:none'><p>x</div>%s" => true,
    "<style>.pre{display:none}</style><p class='a pre'>%s</p>" => false,
    "<style>p.pre, #x {font-size:1px}</style><p id=x>%s</p>" => false,
    "<style>td .pre{color:#fff}</style><p class=pre>%s</p>" => false,
    "<style>.pre{display:none}</style><p class=prefix>%s</p>" => true,
    "<style>@media (max-width:600px){.a{display:none}}</style><p class=a>%s</p>" => true,
    "<style>/* .a{display:none} */ p{color:#111}</style><p class=a>%s</p>" => true,
    "<input type=hidden value='%s'>" => false,
    "<input type=submit value='%s'>" => true,
    "<title>%s</title>" => false,
    "<template>%s</template>" => false
  }.freeze

  def test_what_is_seen
    styled = STYLES.to_h { |style, seen| ["<div style=\"#{style}\">%s</div>", seen] }
    styled
      .merge(PAGES)
      .each do |page, seen|
        text = SteadyMove::Wire::Mail::Html.marked("<p>Good day.</p>#{page.sub("%s", WORD)}")
        assert_equal seen, text.include?(WORD), page
        assert_includes text, "Good day.", page
      end
  end
end
