// Harbour, last ferry: a very wide view over calm water at dusk, town lights on the far quay.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 5 }
camera { location <0,7,-40> look_at <0,6.4,60> right x*image_width/image_height up y angle 74 }
light_source { <-6000,900,8000> rgb <0.75,0.46,0.36> }
light_source { <0,4000,-4000> rgb <0.16,0.20,0.30> shadowless }
sky_sphere {
  pigment { gradient y color_map { [0 rgb <0.95,0.50,0.28>][0.04 rgb <0.85,0.48,0.34>][0.11 rgb <0.52,0.40,0.46>][0.24 rgb <0.20,0.26,0.44>][0.55 rgb <0.07,0.12,0.28>][1 rgb <0.03,0.06,0.16>] } }
  pigment { wrinkles turbulence 0.5 octaves 7 scale <1.1,0.045,0.6> color_map { [0 rgbt <0.55,0.28,0.26,0.1>][0.35 rgbt <0.5,0.34,0.38,0.55>][0.6 rgbt 1][1 rgbt 1] } } }
fog { fog_type 2 distance 420 rgb <0.50,0.36,0.36> fog_offset 0 fog_alt 9 }
plane { y,0 pigment { rgb <0.008,0.014,0.022> }
  normal { average normal_map { [1 bumps 0.10 scale <1.6,1,0.55>][1 bumps 0.06 scale <0.5,1,0.2>][1 bumps 0.10 scale <7,1,2.2>] } }
  finish { ambient 0 diffuse 0.2 reflection { 0.03,0.95 fresnel on } conserve_energy } interior { ior 1.33 } }
#declare S = seed(41);
#declare Hill = function { pigment { wrinkles octaves 8 scale <0.16,0.3,0.2> color_map { [0 rgb 0][1 rgb 1] } } }
height_field { function 1600,300 { Hill(x+0.4,y,0).gray*pow(sin(y*pi),0.8) } smooth translate <-0.5,0,0> scale <620,46,120> translate <0,-6,170> pigment { granite scale 4 color_map { [0 rgb <0.035,0.045,0.04>][1 rgb <0.09,0.09,0.08>] } } finish { ambient 0 diffuse 0.8 } }
// the town: gabled houses stepping up from the quay, some windows lit
#macro House(P,Wd,Hh,Dp,C)
  union {
    box { <-Wd/2,0,0>,<Wd/2,Hh,Dp> pigment { rgb C } }
    prism { linear_sweep linear_spline 0,Dp,4, <-Wd/2-0.2,0>,<Wd/2+0.2,0>,<0,Wd*0.55>,<-Wd/2-0.2,0> rotate x*-90 scale <1,1,-1> translate y*Hh pigment { rgb <0.10,0.07,0.065> } }
    #local nx = max(2,floor(Wd/1.5)); #local ny = max(2,floor(Hh/2.1));
    #local i=0; #while (i<nx) #local j=0; #while (j<ny)
      #local lit = rand(S);
      box { <-0.30,-0.46,-0.06>,<0.30,0.46,0.02> translate <-Wd/2+(i+0.5)*Wd/nx,(j+0.55)*Hh/ny,0>
        #if (lit<0.30) pigment { rgb <1.0,0.66,0.30> } finish { ambient 0 emission 0.7+1.5*rand(S) diffuse 0 }
        #else pigment { rgb <0.03,0.035,0.05> } finish { ambient 0 diffuse 0.4 reflection 0.12 } #end }
    #local j=j+1; #end #local i=i+1; #end
    finish { ambient 0 diffuse 0.8 }
    translate P }
#end
#declare row=0; #while (row<3)
  #declare px=-150; #while (px<150)
    #declare wd=5+4.5*rand(S); #declare hh=5.5+5.5*rand(S);
    #declare g=0.22+0.34*rand(S);
    #if (rand(S)<0.94) House(<px+wd/2,2.0+row*5.5+1.2*rand(S),88+row*14+3*rand(S)>,wd,hh,8,<g,g*(0.74+0.20*rand(S)),g*(0.52+0.25*rand(S))>) #end
    #declare px=px+wd+0.25+rand(S)*0.7; #end
#declare row=row+1; #end
box { <-190,-2,84>,<190,2,96> pigment { granite scale 1.4 color_map { [0 rgb <0.10,0.09,0.085>][1 rgb <0.19,0.17,0.15>] } } finish { ambient 0 diffuse 0.8 } }
// quay lamps
#declare i=-9; #while (i<=9)
  union { cylinder { <0,2,0>,<0,7,0>,0.10 pigment { rgb 0.05 } } sphere { <0,7.1,0>,0.34 pigment { rgb <1,0.78,0.45> } finish { ambient 0 emission 5 } } translate <i*15+3*rand(S),0,85.0> }
  #if (mod(i+9,3)=0) light_source { <i*15,7.1,84> rgb <2.2,1.5,0.8> fade_distance 5 fade_power 2 } #end
#declare i=i+1; #end
// the ferry
union {
  prism { linear_sweep linear_spline -0.6,2.3,6, <-11,-2.4>,<10,-2.4>,<13.6,0>,<10,2.4>,<-11,2.4>,<-11,-2.4> pigment { rgb <0.04,0.07,0.12> } }
  box { <-10.5,2.3,-2.2>,<8,4.4,2.2> pigment { rgb 0.72 } }
  box { <-8,4.4,-1.8>,<4.5,6.2,1.8> pigment { rgb 0.72 } }
  box { <1,6.2,-1.5>,<4.2,7.7,1.5> pigment { rgb 0.68 } }
  cylinder { <-4,6.2,0>,<-4.3,9.2,0>,0.9 pigment { rgb <0.35,0.05,0.03> } }
  #declare i=0; #while (i<14) box { <-9.9+i*1.28,3.0,-2.26>,<-9.05+i*1.28,3.9,-2.15> pigment { rgb <1,0.82,0.52> } finish { emission 1.7 ambient 0 } }
  #if (i<9) box { <-7.6+i*1.32,4.9,-1.86>,<-6.8+i*1.32,5.7,-1.75> pigment { rgb <1,0.82,0.52> } finish { emission 1.5 ambient 0 } } #end #declare i=i+1; #end
  sphere { <4.2,9.4,0>,0.22 pigment { rgb 1 } finish { emission 4 ambient 0 } } cylinder { <3.6,7.7,0>,<4.2,9.4,0>,0.06 pigment { rgb 0.4 } }
  finish { ambient 0 diffuse 0.8 } scale 1.05 rotate y*9 translate <17,0,38> }
// small boats moored
#macro Boat(P,A,C) union {
  intersection { sphere { 0,1 scale <3.1,1.3,1.0> } plane { y,0.2 } translate y*0.35 pigment { rgb C } }
  box { <-0.8,0.3,-0.55>,<0.7,1.35,0.55> pigment { rgb 0.5 } }
  cylinder { <0.9,0.3,0>,<0.9,5.4,0>,0.05 pigment { rgb <0.25,0.2,0.15> } } cylinder { <0.9,1.5,0>,<-2.2,1.7,0>,0.045 pigment { rgb <0.25,0.2,0.15> } }
  finish { ambient 0 diffuse 0.8 } rotate y*A translate P } #end
#declare i=0; #while (i<17) Boat(<-62+i*7.6+3.5*rand(S),0,2+44*rand(S)>,-30+60*rand(S),<0.10+0.35*rand(S),0.10+0.2*rand(S),0.12+0.25*rand(S)>) #declare i=i+1; #end
